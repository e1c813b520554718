import { useQuery } from '@tanstack/react-query'
import { Outlet } from 'react-router'
import { sessionQuery } from '../api/client.ts'
import { SetUpPage } from '../features/sign-in/set-up-page.tsx'
import { GoAnywhere } from '../frame/go-anywhere.tsx'
import { DueTeller } from './due-teller.tsx'
import { SkipLinks, useFocusOnArrival, usePlaceTitle } from './ways-in.tsx'
import { SignInPage } from '../features/sign-in/sign-in-page.tsx'
import { t } from '../words/index.ts'

/** Lets members in; everyone else signs in here, and the address they wanted stays. */
export function Gate() {
  const { data, isError, error, refetch } = useQuery(sessionQuery)
  if (isError) {
    return (
      <main className="mx-auto max-w-140 p-10">
        <p className="mb-4">{error.message}</p>
        <button className="button" onClick={() => void refetch()}>
          {t('Try again')}
        </button>
      </main>
    )
  }
  if (!data) return <p className="p-10 text-soft">{t('Opening the workshop …')}</p>
  if (data.needsSetUp) return <SetUpPage asksCode={data.needsSetUpCode} />
  if (!data.member) return <SignInPage demo={data.demo} />
  return <Inside />
}

/** Every page of a workshop: ways past the bar for the keyboard, and the focus on what was opened. */
function Inside() {
  useFocusOnArrival()
  usePlaceTitle()
  return (
    <>
      <SkipLinks />
      <DueTeller />
      <GoAnywhere />
      <Outlet />
    </>
  )
}
