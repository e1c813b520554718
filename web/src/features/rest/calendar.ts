import type { FactValue, RestTask } from '@ostler/core'

/** Minutes that a look or a change takes in the calendar. */
const TASK_MIN = 15

/**
 * The rest plan as a calendar file, for a batch whose last pour is at a given moment.
 *
 * @throws Error when the file cannot be made
 */
export async function calendarOf(
  batch: { id: string; name: string },
  tasks: readonly RestTask[],
  pouredAt: Date,
  say: (words: FactValue) => string,
): Promise<string> {
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(
    tasks.map(task => {
      const at = new Date(pouredAt.getTime() + task.atMin * 60_000)
      const start = [at.getFullYear(), at.getMonth() + 1, at.getDate(), at.getHours(), at.getMinutes()] as const
      return {
        // The same task of the same batch is the same event: a file made again moves it instead of adding it.
        uid: `${batch.id}-${task.key}@ostler`,
        title: `${batch.name}: ${say(task.what)}`,
        start,
        duration: { minutes: TASK_MIN },
        productId: 'ostler',
        alarms: [{ action: 'display' as const, description: say(task.what), trigger: start }],
      }
    }) as unknown as Parameters<typeof createEvents>[0],
  )
  if (error || !value) throw error ?? new Error('The calendar file could not be made.')
  return value
}
