import { designChanges, planOfDesign, starterPlan } from '@ostler/core'
import type { DesignAnswer, KeptDesign } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { Download, FilePlus, Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { deleteDesign, designsQuery, restoreDesign, saveDesign } from '../../api/client.ts'
import { DesignPicture, bestSight } from '../../drawing/design-picture.tsx'
import { Versions } from '../../parts/versions.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { useToast } from '../../ui/toast.tsx'
import { t } from '../../words/index.ts'
import { useNewBatch } from './new-batch.ts'

/** Of a picture on a card. */
export const PICTURE = 'h-40 w-full object-contain'

function fileOf(name: string): string {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return `${plain || 'design'}.design.json`
}

/** What is done to a kept design, each told and had back. */
function useKept({ id, revision, design }: DesignAnswer) {
  const client = useQueryClient()
  const toast = useToast()
  const [name, setName] = useState(design.name)
  const again = () => client.invalidateQueries(designsQuery)
  const rename = async () => {
    const wanted = name.trim()
    if (wanted === design.name) return setName(design.name)
    try {
      await saveDesign(id, revision, { ...design, name: wanted })
      await again()
    } catch (error) {
      toast((error as Error).message)
      setName(design.name)
    }
  }
  const bringBack = async (kept: KeptDesign) => {
    try {
      const saved = await saveDesign(id, revision, kept)
      await again()
      const back = () => saveDesign(id, saved.revision, design).then(again, (error: Error) => toast(error.message))
      toast(t('{item} is as it was then.', { item: kept.name }), { text: t('Undo'), run: () => void back() })
    } catch (error) {
      toast((error as Error).message)
    }
  }
  const remove = async () => {
    try {
      await deleteDesign(id)
      await again()
      const back = () => restoreDesign(id).then(again, (error: Error) => toast(error.message))
      toast(t('{design} was deleted.', { design: design.name }), { text: t('Undo'), run: () => void back() })
    } catch (error) {
      toast((error as Error).message)
    }
  }
  return { name, setName, rename, bringBack, remove }
}

/** A design of the library. */
export function KeptCard({ kept }: { kept: DesignAnswer }) {
  const { id, revision, design } = kept
  const start = useNewBatch()
  const { name, setName, rename, bringBack, remove } = useKept(kept)
  const plan = useMemo(() => planOfDesign(design, starterPlan(design.name)), [design])
  return (
    <li className="flex flex-col gap-1 bg-paper p-3">
      <DesignPicture
        plan={plan}
        seen={bestSight(plan)}
        label={t('Face of {design}', { design: design.name })}
        px={420}
        className={PICTURE}
      />
      <input
        aria-label={t('Name of {design}', { design: design.name })}
        className="field border-transparent bg-transparent px-0 text-lg font-semibold hover:border-line"
        value={name}
        maxLength={80}
        onChange={event => setName(event.target.value)}
        onBlur={() => void rename()}
        onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
      />
      <span className="text-[13px] text-soft">
        {t('{cups} {cups, plural, one {colour} other {colours}}, {score} pours{moves} · {mould}', {
          cups: design.cups.length,
          score: design.score.length,
          moves:
            design.moves.length > 0 && t(', {n} {n, plural, one {tool} other {tools}}', { n: design.moves.length }),
          mould: design.mould.name,
        })}
      </span>
      {design.notes && <p className="text-[13px]">{design.notes}</p>}
      <div className="mt-auto -mr-2 flex pt-1">
        <button className="button px-2" onClick={() => void start(plan)}>
          <FilePlus size={16} aria-hidden /> {t('New batch')}
        </button>
        <span className="ml-auto" />
        <Versions<KeptDesign>
          bare
          name={design.name}
          at={`/designs/${id}`}
          revision={revision}
          changes={designChanges}
          onBack={kept => void bringBack(kept)}
        />
        <button
          className="quiet"
          aria-label={t('Save {design} as a file', { design: design.name })}
          title={t('Save as a file')}
          onClick={() => saveFile(fileOf(design.name), `${JSON.stringify(design, null, 2)}\n`, 'application/json')}
        >
          <Download size={16} aria-hidden />
        </button>
        <button
          className="quiet"
          aria-label={t('Delete {design}', { design: design.name })}
          title={t('Delete')}
          onClick={() => void remove()}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
    </li>
  )
}
