import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { PasswordForm } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { sessionQuery } from '../../api/client.ts'
import { told } from '../../api/told.ts'
import {
  beginSecondStep,
  confirmSecondStep,
  endSecondStep,
  endSession,
  leaveWorkshop,
  savePassword,
  sessionsQuery,
} from '../../api/members.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { FormLine } from '../../ui/form-line.tsx'
import { FormTrouble } from '../../ui/front-page.tsx'
import { Section } from '../../ui/section.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Proved } from './proved.tsx'
import { TellingSection } from './telling-section.tsx'
import { dated, rich, t } from '../../words/index.ts'

/** What is a member's own: password, second step, browsers, leaving. */
export function AccountPage() {
  const { data } = useQuery(sessionQuery)
  if (!data?.member) return null
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto grid w-full max-w-160 flex-1 grid-cols-[minmax(0,1fr)] content-start gap-7 p-5 max-[900px]:p-3">
        <header>
          <h1 className="text-2xl">{data.member.name}</h1>
          <p className="text-soft">
            {t('signs in as {signInName}; {role} of {workshop}', {
              signInName: data.member.signInName,
              role: data.member.role,
              workshop: data.workshop?.name,
            })}
          </p>
        </header>
        <Password />
        <SecondStep isOn={data.member.hasSecondStep} />
        <Browsers />
        <TellingSection />
        <Section title={t('Leave the workshop')}>
          <p>{t('What you made stays in it. Coming back takes a new invitation.')}</p>
          <Proved
            says={t('Leave it')}
            onProved={async password => {
              await leaveWorkshop(password)
              location.assign('/')
            }}
          />
        </Section>
      </main>
    </>
  )
}

function Password() {
  const toast = useToast()
  const { register, handleSubmit, setError, reset, formState } = useForm<PasswordForm>({
    resolver: classValidatorResolver(PasswordForm),
    defaultValues: { old: '', password: '' },
  })
  const send = async ({ old, password }: PasswordForm) => {
    try {
      await savePassword({ old, password })
      reset()
      toast(t('The new password holds. Other browsers are signed out.'))
    } catch (error) {
      told(error, ['old', 'password'], setError)
    }
  }
  const { errors, isSubmitting } = formState
  return (
    <Section title={t('Password')}>
      <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex max-w-108 flex-col gap-3">
        <FormLine
          label={t('The one that you have now')}
          type="password"
          autoComplete="current-password"
          sentence={errors.old?.message}
          {...register('old')}
        />
        <FormLine
          label={t('The new one, at least 10 letters')}
          type="password"
          autoComplete="new-password"
          sentence={errors.password?.message}
          {...register('password')}
        />
        <FormTrouble sentence={errors.root?.message} />
        <button className="button button-main min-h-11 self-start" disabled={isSubmitting}>
          {t('Change it')}
        </button>
      </form>
    </Section>
  )
}

function SecondStep({ isOn }: { isOn: boolean }) {
  const queries = useQueryClient()
  const [begun, setBegun] = useState<{ secret: string; picture: string } | null>(null)
  const [code, setCode] = useState('')
  const look = () => queries.invalidateQueries(sessionQuery)
  const confirm = useMutation({
    mutationFn: () => confirmSecondStep(code.trim()),
    onSuccess: async () => {
      setBegun(null)
      setCode('')
      await look()
    },
  })
  if (isOn)
    return (
      <Section title={t('Second step')}>
        <p>{t('On: signing in asks for six digits of your app as well.')}</p>
        <Proved says={t('Turn it off')} onProved={password => endSecondStep(password).then(look)} />
      </Section>
    )
  return (
    <Section title={t('Second step')}>
      <p>
        {t(
          'Six digits of an app on another device, beside the password. Anybody who has the password alone stays out.',
        )}
      </p>
      {begun ? (
        <form
          className="mt-2 flex max-w-108 flex-col gap-3"
          onSubmit={event => {
            event.preventDefault()
            confirm.mutate()
          }}
        >
          <img src={begun.picture} alt={t('The secret as a square code, for the app')} className="w-52" />
          <p>
            {rich('Or type it into the app: {match}', {
              match: <code className="font-mono">{begun.secret.match(/.{1,4}/g)?.join(' ')}</code>,
            })}
          </p>
          <FormLine
            label={t('Six digits that the app shows')}
            inputMode="numeric"
            autoComplete="one-time-code"
            value={code}
            sentence={confirm.error?.message}
            onChange={event => setCode(event.target.value)}
          />
          <button className="button button-main min-h-11 self-start" disabled={code.trim().length !== 6}>
            {t('Turn it on')}
          </button>
        </form>
      ) : (
        <Proved says={t('Set it up')} onProved={async password => setBegun(await beginSecondStep(password))} />
      )}
    </Section>
  )
}

/** A browser by what it calls itself, in few words. */
function browserOf(agent: string): string {
  const what = /(Firefox|Edg|Chrome|Safari)\//.exec(agent)?.[1]?.replace('Edg', 'Edge')
  const where = /(Android|iPhone|iPad|Windows|Macintosh|Linux)/.exec(agent)?.[1]?.replace('Macintosh', 'Mac')
  return what && where ? t('{what} on {where}', { what, where }) : (what ?? where ?? t('a browser'))
}

function Browsers() {
  const queries = useQueryClient()
  const toast = useToast()
  const { data } = useQuery({ ...sessionsQuery, staleTime: 0 })
  const end = useMutation({
    mutationFn: (id: string | null) => endSession(id),
    onError: error => toast(error.message),
    onSettled: () => void queries.invalidateQueries(sessionsQuery),
  })
  return (
    <Section title={t('Where you are signed in')}>
      <ul>
        {data?.map(({ id, agent, seenAt, isThis }) => (
          <li key={id} className="flex flex-wrap items-center gap-4 border-b border-line py-1">
            <strong>{browserOf(agent)}</strong>
            <span className="text-soft">{isThis ? t('this one') : dated(new Date(seenAt), 'd MMMM yyyy, HH:mm')}</span>
            {!isThis && (
              <button className="quiet ml-auto min-h-10" onClick={() => end.mutate(id)}>
                {t('Sign out there')}
              </button>
            )}
          </li>
        ))}
      </ul>
      {(data?.length ?? 0) > 1 && (
        <button className="button mt-2 min-h-11" onClick={() => end.mutate(null)}>
          {t('Sign out everywhere else')}
        </button>
      )}
    </Section>
  )
}
