import { METRIC } from '@ostler/core'
import type { FactValue, UnitHabits } from '@ostler/core'
import { createContext, useCallback, useContext } from 'react'
import type { ReactNode } from 'react'
import { say } from '../words/index.ts'

const HabitsContext = createContext<UnitHabits>(METRIC)

/** Everything said inside is said in these units. */
export const SaidIn = ({ habits, children }: { habits: UnitHabits; children: ReactNode }) => (
  <HabitsContext.Provider value={habits}>{children}</HabitsContext.Provider>
)

/** Puts a fact into words, in the workshop's units. */
export function useSay(): (words: FactValue) => string {
  const habits = useContext(HabitsContext)
  return useCallback(words => say(words, habits), [habits])
}

/** A fact in words. */
export const Say = ({ of }: { of: FactValue }) => useSay()(of)
