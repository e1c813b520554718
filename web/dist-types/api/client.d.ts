import type { ErrorAnswer, Plan, SessionAnswer, SetUpForm, Shelf, SignInForm, UnitHabits } from '@ostler/core'
/** An answer that was not a yes. `status` 0: the server could not be reached. */
export declare class ApiError extends Error {
  readonly status: number
  readonly answer: ErrorAnswer
  constructor(status: number, answer: ErrorAnswer)
}
/**
 * @throws ApiError for every answer but a good one
 */
export declare function call<T>(method: string, path: string, body?: unknown, init?: RequestInit): Promise<T>
export declare const sessionQuery: import('@tanstack/query-core').OmitKeyof<
  import('@tanstack/react-query').UseQueryOptions<SessionAnswer, Error, SessionAnswer, string[]>,
  'queryFn'
> & {
  queryFn?: import('@tanstack/query-core').QueryFunction<SessionAnswer, string[], never> | undefined
} & import('@tanstack/query-core').QueryKeyWithDataTag<string[], SessionAnswer, Error>
export declare const shelfQuery: import('@tanstack/query-core').OmitKeyof<
  import('@tanstack/react-query').UseQueryOptions<Shelf, Error, Shelf, string[]>,
  'queryFn'
> & {
  queryFn?: import('@tanstack/query-core').QueryFunction<Shelf, string[], never> | undefined
} & import('@tanstack/query-core').QueryKeyWithDataTag<string[], Shelf, Error>
export declare const batchesQuery: (search: string) => import('@tanstack/query-core').OmitKeyof<
  import('@tanstack/react-query').UseQueryOptions<
    import('@ostler/core').BatchSummary[],
    Error,
    import('@ostler/core').BatchSummary[],
    string[]
  >,
  'queryFn'
> & {
  queryFn?:
    import('@tanstack/query-core').QueryFunction<import('@ostler/core').BatchSummary[], string[], never> | undefined
} & import('@tanstack/query-core').QueryKeyWithDataTag<string[], import('@ostler/core').BatchSummary[], Error>
export declare const batchQuery: (id: string) => import('@tanstack/query-core').OmitKeyof<
  import('@tanstack/react-query').UseQueryOptions<
    import('@ostler/core').BatchSummary,
    Error,
    import('@ostler/core').BatchSummary,
    string[]
  >,
  'queryFn'
> & {
  queryFn?:
    import('@tanstack/query-core').QueryFunction<import('@ostler/core').BatchSummary, string[], never> | undefined
} & import('@tanstack/query-core').QueryKeyWithDataTag<string[], import('@ostler/core').BatchSummary, Error>
export declare const signIn: (form: SignInForm) => Promise<void>
export declare const signOut: () => Promise<void>
export declare const setUp: (form: SetUpForm) => Promise<void>
export declare const saveHabits: (habits: UnitHabits) => Promise<void>
export declare const addBatch: (plan: Plan) => Promise<import('@ostler/core').BatchSummary>
export declare const duplicateBatch: (id: string) => Promise<import('@ostler/core').BatchSummary>
export declare const deleteBatch: (id: string) => Promise<void>
export declare const restoreBatch: (id: string) => Promise<void>
export declare const saveBatch: (
  id: string,
  revision: number,
  plan: Plan,
  keepalive?: boolean,
) => Promise<import('@ostler/core').BatchSummary>
