import { configure } from '@testing-library/react'

/** A busy machine may take its time: what is waited for is waited for longer than the usual second. */
configure({ asyncUtilTimeout: 15_000 })

// A browser of somebody who tells the time by 24 hours, whatever this machine speaks.
if (typeof navigator !== 'undefined') Object.defineProperty(navigator, 'languages', { value: ['en-GB', 'en'] })
