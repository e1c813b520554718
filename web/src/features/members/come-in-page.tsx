import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { JoinForm, MEMBER_ROLES, NewPasswordForm } from '@ostler/core'
import type { InvitedAnswer } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { useForm } from 'react-hook-form'
import { useParams } from 'react-router'
import { told } from '../../api/told.ts'
import { comeIn, invitedQuery } from '../../api/members.ts'
import { FormLine } from '../../ui/form-line.tsx'
import { FormTrouble, FrontPage } from '../../ui/front-page.tsx'
import { WhoFields } from '../../ui/who-fields.tsx'
import { t } from '../../words/index.ts'

/** Where a link that works once leads: into a workshop, or to a new password. */
export function ComeInPage() {
  const { token = '' } = useParams()
  const { data, error } = useQuery(invitedQuery(token))
  if (error)
    return (
      <FrontPage title={t('Ostler')} lead="">
        <p className="text-rust">{error.message}</p>
      </FrontPage>
    )
  if (!data) return null
  return data.role === null ? <Forgotten token={token} of={data} /> : <Join token={token} of={data} />
}

interface Props {
  token: string
  of: InvitedAnswer
}

function Join({ token, of }: Props) {
  const { register, handleSubmit, setError, formState } = useForm<JoinForm>({
    resolver: classValidatorResolver(JoinForm),
    defaultValues: { memberName: '', signInName: '', password: '' },
  })
  const send = async ({ ...form }: JoinForm) => {
    try {
      await comeIn(token, form)
      location.assign('/')
    } catch (error) {
      told(error, ['memberName', 'signInName', 'password'], setError)
    }
  }
  const { errors, isSubmitting } = formState
  return (
    <FrontPage title={of.workshop} lead={t('Your place in it: {role}.', { role: t(MEMBER_ROLES[of.role!]) })}>
      <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex flex-col gap-4">
        <WhoFields line={name => ({ sentence: errors[name]?.message, ...register(name) })} />
        <FormTrouble sentence={errors.root?.message} />
        <button className="button button-main self-start" disabled={isSubmitting}>
          {t('Come in')}
        </button>
      </form>
    </FrontPage>
  )
}

function Forgotten({ token, of }: Props) {
  const { register, handleSubmit, setError, formState } = useForm<NewPasswordForm>({
    resolver: classValidatorResolver(NewPasswordForm),
    defaultValues: { password: '' },
  })
  const send = async ({ password }: NewPasswordForm) => {
    try {
      await comeIn(token, { password })
      location.assign('/')
    } catch (error) {
      told(error, ['password'], setError)
    }
  }
  const { errors, isSubmitting } = formState
  return (
    <FrontPage
      title={of.workshop}
      lead={t('A new password for {member}. Everybody signed in with the old one is out.', { member: of.member })}
    >
      <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex flex-col gap-4">
        <FormLine
          label={t('New password, at least 10 letters')}
          type="password"
          autoComplete="new-password"
          sentence={errors.password?.message}
          {...register('password')}
        />
        <FormTrouble sentence={errors.root?.message} />
        <button className="button button-main self-start" disabled={isSubmitting}>
          {t('Set it')}
        </button>
      </form>
    </FrontPage>
  )
}
