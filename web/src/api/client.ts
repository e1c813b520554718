import type {
  BatchAnswer,
  BinAnswer,
  BenchEvent,
  EventsKept,
  NotedAnswer,
  RunAnswer,
  RunEvents,
  RunOutcome,
  RunSummary,
  BatchList,
  BatchSort,
  BatchSaved,
  BatchSummary,
  Change,
  DesignAnswer,
  ErrorAnswer,
  HereAnswer,
  KeptDesign,
  OwnTime,
  OwnWindow,
  Plan,
  Pricing,
  Due,
  LessonAnswer,
  LessonProgress,
  Life,
  PhotoAnswer,
  RackBatch,
  RecipeAnswer,
  RecordAnswer,
  RehearsalAnswer,
  RehearsalDone,
  RehearsalSetting,
  RehearsalSummary,
  RecordEntry,
  RecipeForm,
  RecipeVersionAnswer,
  SessionAnswer,
  SetUpForm,
  ShelfAnswer,
  ShelfItem,
  ShelfKind,
  SignInForm,
  Trial,
  TrialAnswer,
  StoredItem,
  TagRule,
  UnitHabits,
} from '@ostler/core'
import { lastingStore, readJson, writeJson } from '../kept/storage.ts'
import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { known, say, t, todayHere } from '../words/index.ts'

/** An answer that was not a yes. `status` 0: the server could not be reached. */
export class ApiError extends Error {
  readonly status: number
  readonly answer: ErrorAnswer

  constructor(status: number, answer: ErrorAnswer) {
    super(
      answer.words
        ? say(answer.words)
        : typeof answer.sentence === 'string'
          ? known(answer.sentence)
          : say(answer.sentence),
    )
    this.status = status
    this.answer = answer
  }
}

const AWAY: ErrorAnswer = {
  sentence: t('Ostler’s server cannot be reached just now. Nothing is lost; it is tried again.'),
}

/**
 * @throws ApiError for every answer but a good one
 */
export async function call<T>(method: string, path: string, body?: unknown, init: RequestInit = {}): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? null : JSON.stringify(body),
      ...init,
    })
  } catch {
    throw new ApiError(0, AWAY)
  }
  if (response.status === 204) return undefined as T
  const value: unknown = await response.json().catch(() => null)
  if (response.ok && value !== null) return value as T
  const known = value !== null && typeof (value as ErrorAnswer).sentence === 'string'
  throw new ApiError(response.ok ? 0 : response.status, known ? (value as ErrorAnswer) : AWAY)
}

const SESSION_KEY = 'ostler-session'

/** Who is signed in; with the server out of reach who was last: what is kept here is for the same eyes. */
async function session(): Promise<SessionAnswer> {
  try {
    const answer = await call<SessionAnswer>('GET', '/session')
    writeJson(lastingStore(), SESSION_KEY, answer.member ? answer : null)
    return answer
  } catch (error) {
    const kept = readJson<SessionAnswer | null>(lastingStore(), SESSION_KEY)
    if (kept?.member && error instanceof ApiError && error.status === 0) return kept
    throw error
  }
}

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: session,
  staleTime: Infinity,
  networkMode: 'always',
})

export const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: () => call<ShelfAnswer>('GET', '/shelf'),
  staleTime: 60_000,
})

export const recipesQuery = queryOptions({
  queryKey: ['recipes'],
  queryFn: () => call<RecipeAnswer[]>('GET', '/recipes'),
  staleTime: 30_000,
})

export const recipeVersionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['recipes', id, 'versions'],
    queryFn: () => call<RecipeVersionAnswer[]>('GET', `/recipes/${id}/versions`),
  })

/** While something of the list is being worked out it is asked for again, ms. */
const WORKING_MS = 1500

/** Which batches are wanted. */
export interface BatchesWanted {
  search: string
  life: Life | ''
  sort: BatchSort
  tag: string
  archived: boolean
}

export const ALL_BATCHES: BatchesWanted = { search: '', life: '', sort: 'changed', tag: '', archived: false }

/** Batches a page at a time, as of a day of the workshop. */
export const batchesQuery = (wanted: BatchesWanted) =>
  infiniteQueryOptions({
    queryKey: ['batches', 'list', wanted],
    queryFn: ({ pageParam }) =>
      call<BatchList>(
        'GET',
        `/batches?${new URLSearchParams({
          ...{ search: wanted.search, life: wanted.life, sort: wanted.sort, tag: wanted.tag },
          ...{ archived: wanted.archived ? '1' : '', day: todayHere() },
          ...(pageParam !== null && { after: pageParam }),
        }).toString()}`,
      ),
    initialPageParam: null as string | null,
    getNextPageParam: last => last.next,
    placeholderData: previous => previous,
    networkMode: 'always',
    refetchOnReconnect: true,
    refetchInterval: query =>
      query.state.data?.pages.some(page => page.batches.some(one => !one.isFresh)) ? WORKING_MS : false,
  })

/** Where a batch's picture is; another picture has another address. */
export const faceAddress = ({ id, face }: Pick<BatchSummary, 'id' | 'face'>) => `/api/batches/${id}/face?at=${face}`

export const runsQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'runs', batch],
    queryFn: () => call<RunSummary[]>('GET', `/batches/${batch}/runs`),
    staleTime: 0,
  })

export const recordQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'record', batch],
    queryFn: () => call<RecordAnswer>('GET', `/batches/${batch}/record`),
    staleTime: 0,
  })

/** What was learned from other batches that concerns this one. */
export const lessonsQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'lessons', batch],
    queryFn: () => call<LessonAnswer[]>('GET', `/batches/${batch}/record/lessons`),
    staleTime: 60_000,
  })

export const addEntries = (batch: string, entries: readonly RecordEntry[]) =>
  call<{ kept: number }>('POST', `/batches/${batch}/record`, { entries })

/** Keeps a photograph in two sizes, sent one after the other. */
export const addPhoto = (batch: string, id: string, small: Blob, large: Blob) =>
  call<PhotoAnswer>('PUT', `/batches/${batch}/record/photos/${id}?small=${small.size}`, undefined, {
    headers: { 'content-type': 'image/jpeg' },
    body: new Blob([small, large], { type: 'image/jpeg' }),
  })

export const photoAddress = (id: string, size: 'small' | 'large'): string => `/api/photos/${id}/${size}`

/** The server may still be working out hours and days of what has changed: a few more looks, ms. */
const worksOut = ({ state }: { state: { dataUpdateCount: number } }): number | false =>
  state.dataUpdateCount < 4 ? 4000 : false

/** What is due, and what lies on the rack, as of a day of the workshop like "2026-03-02". */
export const duesQuery = (day: string) =>
  queryOptions({
    queryKey: ['due', 'today', day],
    queryFn: () => call<Due[]>('GET', `/due/today?day=${day}`),
    staleTime: 0,
    refetchInterval: worksOut,
  })
export const rackQuery = (day: string) =>
  queryOptions({
    queryKey: ['due', 'rack', day],
    queryFn: () => call<RackBatch[]>('GET', `/due/rack?day=${day}`),
    staleTime: 0,
    refetchInterval: worksOut,
  })
export const calendarQuery = queryOptions({
  queryKey: ['due', 'calendar'],
  queryFn: () => call<{ token: string | null }>('GET', '/due/calendar'),
})
export const renewCalendar = () => call<{ token: string }>('POST', '/due/calendar')

export const outcomesQuery = queryOptions({
  queryKey: ['runs', 'outcomes'],
  queryFn: () => call<RunOutcome[]>('GET', '/runs/outcomes'),
  staleTime: 0,
})

/** Begins a run under an id of the asker's: asked twice, it is begun once. */
export const beginRun = (batch: string, id: string) => call<{ id: string }>('POST', `/batches/${batch}/runs`, { id })

/** What was noted of the batch that is made ready, or was made last; `anew` puts that away and opens another. */
export const notedOf = (batch: string, asked: { id: string; anew?: boolean; openedAt?: string }) =>
  call<NotedAnswer>('POST', `/batches/${batch}/preparation`, asked)

export const bringInRun = (batch: string, run: unknown) =>
  call<{ id: string }>('POST', `/batches/${batch}/runs/document`, { run })

export const getRun = (id: string) => call<RunAnswer>('GET', `/runs/${id}`)

export const eventsAfter = (id: string, seq: number) => call<RunEvents>('GET', `/runs/${id}/events?after=${seq}`)

export const sendEvents = (id: string, events: readonly BenchEvent[]) =>
  call<EventsKept>('POST', `/runs/${id}/events`, { events })

export const rehearsalsQuery = (batch: string) =>
  queryOptions({
    queryKey: ['rehearsals', batch],
    queryFn: () => call<RehearsalSummary[]>('GET', `/batches/${batch}/rehearsals`),
  })

export const beginRehearsal = (batch: string, id: string, setting: RehearsalSetting) =>
  call<{ id: string }>('POST', `/batches/${batch}/rehearsals`, { id, setting })

export const getRehearsal = (id: string) => call<RehearsalAnswer>('GET', `/rehearsals/${id}`)

/** A new link by which a rehearsal is watched without signing in. */
export const shareRehearsal = (id: string) => call<{ token: string }>('POST', `/rehearsals/${id}/link`)
export const unshareRehearsal = (id: string) => call<undefined>('DELETE', `/rehearsals/${id}/link`)

/** What a link shows; undefined: nothing was noted since that revision. */
export const getWatched = (token: string, since: number | null) =>
  call<RehearsalAnswer | undefined>('GET', `/watched/${token}${since === null ? '' : `?since=${since}`}`)

export const saveRehearsal = (
  id: string,
  sent: { revision: number; done: RehearsalDone; score: number | null; passed?: boolean },
) => call<{ revision: number }>('PUT', `/rehearsals/${id}`, sent)

export const lessonProgressQuery = queryOptions({
  queryKey: ['lesson progress'],
  queryFn: () => call<LessonProgress[]>('GET', '/lessons'),
})

export const beginLesson = (lesson: string, id: string) => call<{ id: string }>('POST', `/lessons/${lesson}`, { id })

export const deleteRehearsal = (id: string) => call<undefined>('DELETE', `/rehearsals/${id}`)

export const getBatch = (id: string) => call<BatchAnswer>('GET', `/batches/${id}`)

export const batchQuery = (id: string) =>
  queryOptions({
    queryKey: ['batches', 'one', id],
    queryFn: () => getBatch(id),
    // The open batch lives in its own store; what is cached here would only go stale.
    staleTime: 0,
    gcTime: 0,
  })

export const signIn = (form: SignInForm) => call<void>('POST', '/session', form)
export const signOut = () => call<void>('DELETE', '/session')
export const setUp = (form: SetUpForm) => call<void>('POST', '/setup', form)
export const saveHabits = (habits: UnitHabits) => call<void>('PUT', '/workshop/habits', habits)
export const pricingQuery = queryOptions({
  queryKey: ['pricing'],
  queryFn: () => call<Pricing>('GET', '/pricing'),
})
export const savePricing = (pricing: Pricing) => call<void>('PUT', '/pricing', pricing)
export const addBatch = (plan: Plan) => call<BatchAnswer>('POST', '/batches', { plan })
export const duplicateBatch = (id: string) => call<BatchAnswer>('POST', `/batches/${id}/duplicate`)
export const deleteBatch = (id: string) => call<void>('DELETE', `/batches/${id}`)
export const restoreBatch = (id: string) => call<void>('POST', `/batches/${id}/restore`)
/** Sends changes under an id of their own: sent again after a lost answer they are made once. */
export const changeBatch = (
  batch: string,
  sent: { id: string; revision: number; changes: readonly Change[] },
  keepalive = false,
) => call<BatchSaved>('PATCH', `/batches/${batch}`, sent, { keepalive })

/** Saves an item on top of `revision`; 0 for a new one. */
export const saveItem = (kind: ShelfKind, item: ShelfItem, revision: number) =>
  call<StoredItem>('PUT', `/shelf/${kind}/${item.id}`, { item, revision })
export const importItems = (kind: ShelfKind, items: readonly { item: ShelfItem; revision: number }[]) =>
  call<{ count: number }>('POST', '/shelf/import', { kind, items })
export const saveTimes = (times: readonly OwnTime[]) => call<void>('PUT', '/shelf/times', { times })
export const saveWindows = (windows: readonly OwnWindow[]) => call<void>('PUT', '/shelf/windows', { windows })
/** Whether the readings of a batch count for the forecasts of others. */
export const saveCounts = (batch: string, counts: boolean) => call<void>('PUT', `/evidence/${batch}`, { counts })
export const saveRules = (rules: readonly TagRule[]) => call<void>('PUT', '/shelf/rules', { rules })
export const addRecipe = (form: RecipeForm) => call<RecipeAnswer>('POST', '/recipes', form)
export const addRecipeVersion = (id: string, form: RecipeForm) =>
  call<RecipeAnswer>('POST', `/recipes/${id}/versions`, form)
export const deleteRecipe = (id: string) => call<void>('DELETE', `/recipes/${id}`)
export const restoreRecipe = (id: string) => call<void>('POST', `/recipes/${id}/restore`)

export const trialsQuery = queryOptions({
  queryKey: ['trials'],
  queryFn: () => call<TrialAnswer[]>('GET', '/trials'),
})
export const trialQuery = (id: string) =>
  queryOptions({ queryKey: ['trials', id], queryFn: () => call<TrialAnswer>('GET', `/trials/${id}`) })
export const addTrial = (id: string, trial: Trial) => call<TrialAnswer>('POST', '/trials', { id, trial, batch: null })
export const saveTrial = ({ id, revision, batch, trial }: Omit<TrialAnswer, 'updatedAt'>) =>
  call<TrialAnswer>('PUT', `/trials/${id}`, { revision, batch, trial })
export const deleteTrial = (id: string) => call<void>('DELETE', `/trials/${id}`)
export const restoreTrial = (id: string) => call<void>('POST', `/trials/${id}/restore`)

export const designsQuery = queryOptions({
  queryKey: ['designs'],
  queryFn: () => call<DesignAnswer[]>('GET', '/designs'),
  staleTime: 30_000,
})
export const addDesign = (design: KeptDesign) => call<DesignAnswer>('POST', '/designs', { design })
export const saveDesign = (id: string, revision: number, design: KeptDesign) =>
  call<DesignAnswer>('PUT', `/designs/${id}`, { revision, design })
export const deleteDesign = (id: string) => call<void>('DELETE', `/designs/${id}`)
export const restoreDesign = (id: string) => call<void>('POST', `/designs/${id}/restore`)

export const binQuery = queryOptions({ queryKey: ['bin'], queryFn: () => call<BinAnswer[]>('GET', '/bin') })

/** Says that a batch is open in this window; gives who else has it open. */
export const sayHere = (batch: string, window: string) =>
  call<HereAnswer[]>('POST', `/here/${batch}`, { window, isLeft: false })
export const leaveHere = (batch: string, window: string) =>
  call<HereAnswer[]>('POST', `/here/${batch}`, { window, isLeft: true })
