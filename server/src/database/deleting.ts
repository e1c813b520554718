import type { Database } from './connection.ts'

/** Whether the database refused a row because its name or id is taken. */
export const isTaken = (error: unknown): boolean => (error as { code?: string }).code === '23505'

/**
 * Marks a workshop's row as deleted, or brings it back with null.
 *
 * @returns false when there is no such row; 'name' when another one has its name meanwhile
 */
export async function setDeleted(
  db: Database,
  table: 'batch' | 'recipe' | 'design' | 'trial',
  workshopId: string,
  id: string,
  deletedAt: Date | null,
): Promise<boolean | 'name'> {
  try {
    const result = await db
      .updateTable(table)
      .set({ deleted_at: deletedAt })
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .executeTakeFirst()
    return result.numUpdatedRows > 0n
  } catch (error) {
    if (isTaken(error)) return 'name'
    throw error
  }
}
