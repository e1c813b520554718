import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { SetUpForm } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useForm } from 'react-hook-form'
import { ApiError, sessionQuery, setUp } from '../../api/client.ts'
import { FormTrouble, FrontPage } from '../../ui/front-page.tsx'
import { FormLine } from '../../ui/form-line.tsx'

/** The first visit to an Ostler without a workshop. */
export function SetUpPage({ asksCode }: { asksCode: boolean }) {
  const client = useQueryClient()
  const { register, handleSubmit, setError, formState } = useForm<SetUpForm>({
    resolver: classValidatorResolver(SetUpForm),
    defaultValues: { workshopName: '', memberName: '', signInName: '', password: '' },
  })
  const send = async ({ ...form }: SetUpForm) => {
    try {
      await setUp(form)
      await client.invalidateQueries(sessionQuery)
    } catch (error) {
      const atCode = error instanceof ApiError && error.answer.problems?.some(problem => problem.path === 'setUpCode')
      setError(atCode ? 'setUpCode' : 'root', { message: (error as Error).message })
    }
  }
  const { errors, isSubmitting } = formState
  return (
    <FrontPage
      title="Set up the workshop"
      lead="It starts with a shelf of common oils, liquids, colours, moulds and vessels, and no batches."
    >
      <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex flex-col gap-4">
        <FormLine label="Name of the workshop" sentence={errors.workshopName?.message} {...register('workshopName')} />
        <FormLine
          label="Your name"
          autoComplete="name"
          sentence={errors.memberName?.message}
          {...register('memberName')}
        />
        <FormLine
          label="Sign-in name"
          autoComplete="username"
          sentence={errors.signInName?.message}
          {...register('signInName')}
        />
        <FormLine
          label="Password, at least 10 letters"
          type="password"
          autoComplete="new-password"
          sentence={errors.password?.message}
          {...register('password')}
        />
        {asksCode && (
          <FormLine
            label="Set-up code from the terminal"
            sentence={errors.setUpCode?.message}
            {...register('setUpCode')}
          />
        )}
        <FormTrouble sentence={errors.root?.message} />
        <button className="button button-main self-start" disabled={isSubmitting}>
          Set up
        </button>
      </form>
    </FrontPage>
  )
}
