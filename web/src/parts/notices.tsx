import { useForecast } from '../plan/context.tsx'
import { useSay } from '../ui/say.tsx'
import { t } from '../words/index.ts'

const SHAPES = { stop: t('▲ Stop:'), warn: '△', hint: '·' }

interface Props {
  most?: number
  /** Only those whose place in the plan matches. */
  about?: RegExp
  /** Those that stand elsewhere on the page. */
  without?: RegExp
  className?: string
}

/** What is allowed in this plan but worth a thought. */
export function Notices({ most = 6, about, without, className = '' }: Props) {
  const say = useSay()
  const all = useForecast()?.notices ?? []
  const notices = all.filter(({ path }) => (about?.test(path) ?? true) && !without?.test(path))
  if (notices.length === 0) return null
  return (
    <ul aria-label={t('Worth a thought')} className={`flex flex-col gap-1.5 ${className}`}>
      {notices.slice(0, most).map(notice => (
        <li key={notice.path + say(notice.sentence)} className={notice.weight === 'hint' ? 'text-soft' : 'text-rust'}>
          <span aria-hidden>{SHAPES[notice.weight]} </span>
          {say(notice.sentence)}
        </li>
      ))}
    </ul>
  )
}
