import type { Words } from '@ostler/core'
import { together } from '@ostler/core'
import { useState } from 'react'
import { ColourSampler } from '../../parts/colour-sampler.tsx'
import type { ReadColour } from '../../parts/colour-sampler.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  /** Colour of the plain soap of the same batch at that age. */
  plainHex: string
  onColour: (hex: string, picture: string) => void
  onClose: () => void
}

const MOST_PIXELS = 50_000_000

/** Takes a swatch's colour from a photograph, corrected by a patch of known colour in the same picture. */
export function PhotoDialog({ plainHex, onColour, onClose }: Props) {
  const [picture, setPicture] = useState<ImageBitmap | null>(null)
  const [sentence, setSentence] = useState<Words>('')
  const load = async (file: File | undefined) => {
    if (!file) return
    setSentence(t('Opening the picture …'))
    try {
      const found = await createImageBitmap(file)
      if (found.width * found.height > MOST_PIXELS) {
        setSentence(t('This picture has over {what} megapixels. Save it smaller.', { what: MOST_PIXELS / 1e6 }))
        return
      }
      setPicture(found)
      setSentence('')
    } catch {
      setSentence(t('This file is no picture that can be read here. A JPEG, PNG or WebP is.'))
    }
  }
  return (
    <Ask open wide title={t('A swatch from a photograph')} onClose={onClose}>
      <p className="mb-3">
        {t(
          'Picture the swatch beside plain soap of the same batch or a grey card, in even daylight, both flat. It stays in this browser; only the colour and a thumbnail are kept.',
        )}
      </p>
      <input
        type="file"
        accept="image/*"
        aria-label={t('Photograph of the swatch')}
        className="mb-3"
        onChange={event => void load(event.target.files?.[0])}
      />
      {sentence && (
        <p role="status" className="mb-3 text-rust">
          <Say of={sentence} />
        </p>
      )}
      {picture && (
        <ColourSampler picture={picture} plainHex={plainHex}>
          {(result, thumbnail) => (
            <Read result={result} onTake={() => result.ok && onColour(result.hex, thumbnail())} />
          )}
        </ColourSampler>
      )}
    </Ask>
  )
}

/** The colour that was read, and what is to be said of it. */
function Read({ result, onTake }: { result: ReadColour; onTake: () => void }) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {result.ok && (
        <span className="inline-block size-12 border border-ink" style={{ background: result.hex }} aria-hidden />
      )}
      <p role="status" className={`flex-1 ${result.ok ? '' : 'text-rust'}`}>
        <Say of={result.ok ? together([`${result.hex}.`, result.sentence]) : result.sentence} />
      </p>
      <button type="button" className="button button-main" disabled={!result.ok} onClick={onTake}>
        {t('Take this colour')}
      </button>
    </div>
  )
}
