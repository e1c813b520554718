import { lessonSays } from '@ostler/core'
import type { Lesson, LessonSays, RehearsalDone, Rehearsed } from '@ostler/core'
import type { GelAsked } from './gel-asked.ts'

/** How far a lesson is. What was passed once stays passed. */
export class LessonAtHand {
  #isPassed = false

  constructor(
    readonly lesson: Lesson | null,
    private readonly gel: GelAsked,
  ) {}

  get isPassed(): boolean {
    return this.#isPassed
  }

  /** What it says just now; null: there is none. */
  says(rehearsed: Rehearsed, done: RehearsalDone, nowS: number): LessonSays | null {
    if (!this.lesson) return null
    const says = lessonSays(this.lesson, rehearsed, done, nowS, this.gel.of(done.events))
    this.#isPassed ||= says.isPassed
    return says
  }
}
