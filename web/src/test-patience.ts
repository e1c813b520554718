import { configure } from '@testing-library/react'

/** A busy machine may take its time: what is waited for is waited for longer than the usual second. */
configure({ asyncUtilTimeout: 15_000 })
