import { useDesign } from './use-design.ts'

/** What had to be fitted or left out of the picture. */
export function DesignSentences() {
  const { sentences } = useDesign()
  if (sentences.length === 0) return null
  return (
    <ul aria-label="About the design" className="flex flex-col gap-1 text-[13px] text-rust">
      {sentences.map(sentence => (
        <li key={sentence}>△ {sentence}</li>
      ))}
    </ul>
  )
}
