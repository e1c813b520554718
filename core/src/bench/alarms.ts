import type { CupOutlook } from './outlook.ts'

/** What a cup's time calls for: look to it soon, pour it now, it is too late. */
export type AlarmKind = 'soon' | 'now' | 'late'

export interface Alarm {
  kind: AlarmKind
  cup: string
}

/** When each goes on, and when it goes off again: never the same, so that it does not flutter. Minutes. */
const RULES: Readonly<Record<AlarmKind, { on: (cup: CupOutlook) => boolean; stays: (cup: CupOutlook) => boolean }>> = {
  soon: { on: cup => cup.low <= 1.5, stays: cup => cup.low <= 2.5 },
  now: { on: cup => cup.likely <= 1.5, stays: cup => cup.likely <= 2 },
  late: { on: cup => cup.high <= 0, stays: cup => cup.gone >= 0.5 },
}
/** The worst that holds of a cup is the one that is said. */
const WORST: readonly AlarmKind[] = ['late', 'now', 'soon']

/** Alarms that hold now, one a cup, and those of them that are new. @param before those that held last */
export function alarmsOf(cups: readonly CupOutlook[], before: readonly Alarm[]): { alarms: Alarm[]; fresh: Alarm[] } {
  const held = (kind: AlarmKind, cup: string) => before.some(one => one.kind === kind && one.cup === cup)
  const alarms = cups.flatMap((cup): Alarm[] => {
    const kind = WORST.find(one => RULES[one][held(one, cup.cup) ? 'stays' : 'on'](cup))
    return kind ? [{ kind, cup: cup.cup }] : []
  })
  return { alarms, fresh: alarms.filter(one => !held(one.kind, one.cup)) }
}
