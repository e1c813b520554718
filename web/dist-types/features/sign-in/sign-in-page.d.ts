import type { SessionAnswer } from '@ostler/core'
interface Props {
  demo: SessionAnswer['demo']
  onDone: () => void
}
export declare function SignInForm({ demo, onDone }: Props): import('react').JSX.Element
export declare function SignInPage({ demo }: { demo: SessionAnswer['demo'] }): import('react').JSX.Element
export {}
