import type { ComponentProps } from 'react'
import { FormLine } from './form-line.tsx'
import { t } from '../words/index.ts'

type Who = 'memberName' | 'signInName' | 'password'

/** Who somebody new is: the name, the name to sign in with, and a first password. `line` ties each to its form. */
export function WhoFields({ line }: { line: (name: Who) => Omit<ComponentProps<typeof FormLine>, 'label'> }) {
  return (
    <>
      <FormLine label={t('Your name')} autoComplete="name" {...line('memberName')} />
      <FormLine label={t('Sign-in name')} autoComplete="username" {...line('signInName')} />
      <FormLine
        label={t('Password, at least 10 letters')}
        type="password"
        autoComplete="new-password"
        {...line('password')}
      />
    </>
  )
}
