import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { SetUpForm } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useForm } from 'react-hook-form'
import { sessionQuery, setUp } from '../../api/client.ts'
import { told } from '../../api/told.ts'
import { FormTrouble, FrontPage } from '../../ui/front-page.tsx'
import { FormLine } from '../../ui/form-line.tsx'
import { WhoFields } from '../../ui/who-fields.tsx'
import { t } from '../../words/index.ts'

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
      told(error, ['workshopName', 'memberName', 'signInName', 'password', 'setUpCode'], setError)
    }
  }
  const { errors, isSubmitting } = formState
  return (
    <FrontPage
      title={t('Set up the workshop')}
      lead={t('It starts with a shelf of common oils, liquids, colours, moulds and vessels, and no batches.')}
    >
      <form onSubmit={event => void handleSubmit(send)(event)} noValidate className="flex flex-col gap-4">
        <FormLine
          label={t('Name of the workshop')}
          sentence={errors.workshopName?.message}
          {...register('workshopName')}
        />
        <WhoFields line={name => ({ sentence: errors[name]?.message, ...register(name) })} />
        {asksCode && (
          <FormLine
            label={t('Set-up code from the terminal')}
            sentence={errors.setUpCode?.message}
            {...register('setUpCode')}
          />
        )}
        <FormTrouble sentence={errors.root?.message} />
        <button className="button button-main self-start" disabled={isSubmitting}>
          {t('Set up')}
        </button>
      </form>
    </FrontPage>
  )
}
