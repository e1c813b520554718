import { BATCH_SORTS, LIVES } from '@ostler/core'
import type { BatchSort } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { ALL_BATCHES } from '../../api/client.ts'
import type { BatchesWanted } from '../../api/client.ts'
import { tagsQuery } from '../../api/workshop.ts'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { t } from '../../words/index.ts'

export type Filter = Omit<BatchesWanted, 'search'>
export const NO_FILTER: Filter = ALL_BATCHES

/** What stands for those that were put away, among the lives. */
const AWAY = 'away'
const SHOWN = { '': t('all batches'), ...LIVES, [AWAY]: t('put away') } as const

/** Which batches are listed, and in which order. */
export function Filters({ filter, onFilter }: { filter: Filter; onFilter: (filter: Filter) => void }) {
  const { data: tags } = useQuery(tagsQuery)
  const shown = filter.archived ? AWAY : filter.life
  return (
    <>
      <Choice<keyof typeof SHOWN>
        label={t('Show')}
        value={shown}
        options={options(SHOWN)}
        onValue={value => onFilter({ ...filter, archived: value === AWAY, life: value === AWAY ? '' : value })}
        bare
      />
      {((tags?.length ?? 0) > 0 || filter.tag !== '') && (
        <Choice<string>
          label={t('Tag')}
          value={filter.tag}
          options={[
            { value: '', text: t('any tag') },
            ...[...new Set([...(tags ?? []), ...(filter.tag === '' ? [] : [filter.tag])])].map(tag => ({
              ...{ value: tag, text: tag },
            })),
          ]}
          onValue={tag => onFilter({ ...filter, tag })}
          bare
        />
      )}
      <Choice<BatchSort>
        label={t('In the order of')}
        value={filter.sort}
        options={options(BATCH_SORTS)}
        onValue={sort => onFilter({ ...filter, sort })}
        bare
      />
    </>
  )
}
