import { LESSONS } from '@ostler/core'
import { useMutation, useQuery } from '@tanstack/react-query'
import { Check } from 'lucide-react'
import { useNavigate } from 'react-router'
import { beginLesson, lessonProgressQuery } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { t } from '../../words/index.ts'

/** Short guided rehearsals, in order, and how far one is with them. */
export function LessonsPage() {
  const navigate = useNavigate()
  const progress = useQuery({ ...lessonProgressQuery, staleTime: 0 })
  const begin = useMutation({
    mutationFn: (lesson: string) => beginLesson(lesson, freshUuid()),
    onSuccess: one => navigate(`/rehearsals/${one.id}`),
  })
  const of = (key: string) => progress.data?.find(one => one.lesson === key)
  const next = LESSONS.find(({ key }) => of(key)?.passed !== true)?.key
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-200 flex-1 p-5 max-[900px]:p-3">
        <h1 className="text-2xl">{t('Lessons')}</h1>
        <p className="mt-1 text-soft">
          {t(
            'Each under ten minutes, on the Bench, with batter that only exists here. Best in this order; nothing of it touches your batches, your shelf or your stock.',
          )}
        </p>
        {progress.error && <p className="mt-2 text-rust">{progress.error.message}</p>}
        {begin.error && (
          <p role="alert" className="mt-2 text-rust">
            {begin.error.message}
          </p>
        )}
        <ol className="mt-4">
          {LESSONS.map(({ key, title, about, minutes }, n) => {
            const done = of(key)
            return (
              <li key={key} className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-line py-3">
                <span className="w-8 text-2xl font-semibold text-soft">{n + 1}</span>
                <div className="min-w-60 flex-1">
                  <h2 className="text-lg">{t(title)}</h2>
                  <p>{t(about)}</p>
                  <p className="text-[13px] text-soft">
                    {t('about {minutes} min{done}', {
                      minutes,
                      done:
                        done &&
                        t(', tried {tries}', {
                          tries: done.tries === 1 ? t('once') : t('{tries} times', { tries: done.tries }),
                        }),
                    })}
                  </p>
                </div>
                {done?.passed && (
                  <span className="flex items-center gap-1">
                    <Check size={18} aria-hidden /> {t('passed')}
                  </span>
                )}
                <button
                  className={`button min-h-12 px-5 ${key === next ? 'button-main' : ''}`}
                  disabled={begin.isPending}
                  aria-label={`${done ? t('Again') : t('Begin')}: ${t(title)}`}
                  onClick={() => begin.mutate(key)}
                >
                  {done ? t('Again') : t('Begin')}
                </button>
              </li>
            )
          })}
        </ol>
      </main>
    </>
  )
}
