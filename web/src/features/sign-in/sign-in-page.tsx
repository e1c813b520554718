import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { SignInForm as SignInShape } from '@ostler/core'
import type { SessionAnswer } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { ApiError, sessionQuery, signIn } from '../../api/client.ts'
import { FormTrouble, FrontPage } from '../../ui/front-page.tsx'
import { FormLine } from '../../ui/form-line.tsx'
import { t } from '../../words/index.ts'

interface Props {
  demo: SessionAnswer['demo']
  onDone: () => void
}

export function SignInForm({ demo, onDone }: Props) {
  const [sentence, setSentence] = useState('')
  const [asksCode, setAsksCode] = useState(false)
  const { register, handleSubmit, setValue, formState } = useForm<SignInShape>({
    resolver: classValidatorResolver(SignInShape),
    defaultValues: { signInName: '', password: '' },
  })
  const send = async (form: SignInShape) => {
    setSentence('')
    try {
      const { signInName, password, code } = form
      await signIn({ signInName, password, ...(code ? { code } : {}) })
      onDone()
    } catch (error) {
      if (error instanceof ApiError && error.answer.problems?.[0]?.path === 'code') setAsksCode(true)
      setSentence((error as Error).message)
    }
  }
  const fillDemo = () => {
    if (!demo) return
    setValue('signInName', demo.signInName, { shouldValidate: true })
    setValue('password', demo.password, { shouldValidate: true })
  }
  const { errors, isSubmitting } = formState
  return (
    <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex flex-col gap-4">
      <FormLine
        label={t('Sign-in name')}
        autoComplete="username"
        sentence={errors.signInName?.message}
        {...register('signInName')}
      />
      <FormLine
        label={t('Password')}
        type="password"
        autoComplete="current-password"
        sentence={errors.password?.message}
        {...register('password')}
      />
      {asksCode && (
        <FormLine
          label={t('Six digits of your app')}
          inputMode="numeric"
          autoComplete="one-time-code"
          autoFocus
          sentence={errors.code?.message}
          {...register('code')}
        />
      )}
      <FormTrouble sentence={sentence} />
      <div className="flex flex-wrap gap-3">
        <button className="button button-main" disabled={isSubmitting}>
          {t('Sign in')}
        </button>
        {demo && (
          <button type="button" className="button" onClick={fillDemo}>
            {t('Fill in the demo sign-in')}
          </button>
        )}
      </div>
    </form>
  )
}

export function SignInPage({ demo }: { demo: SessionAnswer['demo'] }) {
  const client = useQueryClient()
  return (
    <FrontPage title={t('Ostler')} lead={t('Colours, layers, and the time to pour them.')}>
      <SignInForm demo={demo} onDone={() => void client.invalidateQueries(sessionQuery)} />
      {demo && (
        <p className="mt-5 text-[13px] text-soft">
          {t('Everything in the demo workshop is made up: its name, batches and scents.')}
        </p>
      )}
    </FrontPage>
  )
}
