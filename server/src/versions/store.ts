import { openedDesign, openedItem } from '@ostler/core'
import type { KeptDesign, KeptVersion, Opened, ShelfItem, ShelfKind } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'

/** What things of the shelf and designs were before, as the database kept it whenever they were changed. */
export interface VersionStore {
  /** The newest first; none where it was never changed. */
  ofItem(workshopId: string, kind: ShelfKind, id: string): Promise<KeptVersion<ShelfItem>[]>
  ofDesign(workshopId: string, id: string): Promise<KeptVersion<KeptDesign>[]>
}

export function versionStore(db: Database, report: Report = () => undefined): VersionStore {
  async function versions<T>(
    workshopId: string,
    kind: ShelfKind | 'designs',
    id: string,
    open: (kept: object, version: number) => Opened<T>,
  ): Promise<KeptVersion<T>[]> {
    const rows = await db
      .selectFrom('kept_version')
      .leftJoin('member', join =>
        join
          .onRef('member.id', '=', 'kept_version.member_id')
          .onRef('member.workshop_id', '=', 'kept_version.workshop_id'),
      )
      .where('kept_version.workshop_id', '=', workshopId)
      .where('kind', '=', kind)
      .where('item_id', '=', id)
      .select(['revision', 'at', 'kept', 'format_version', 'member.name as member'])
      .orderBy('revision', 'desc')
      .execute()
    return rows.flatMap(({ revision, at, member, kept, format_version }) => {
      const read = readOrTold<T>(open(kept, format_version), `version of ${kind}`, id, report)
      return read ? [{ revision, at: at.toISOString(), member, kept: read }] : []
    })
  }
  return {
    ofItem: (workshopId, kind, id) =>
      versions<ShelfItem>(workshopId, kind, id, (kept, version) => openedItem(kind, kept, version)),
    ofDesign: (workshopId, id) => versions(workshopId, 'designs', id, openedDesign),
  }
}
