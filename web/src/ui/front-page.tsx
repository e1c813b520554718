import type { ReactNode } from 'react'

/** The sheet of paper that one meets before the workshop. */
export const FrontPage = ({ title, lead, children }: { title: string; lead: string; children: ReactNode }) => (
  <main className="grid min-h-screen place-items-center bg-booth p-4">
    <section className="w-full max-w-108 rounded bg-paper p-8">
      <h1 className="mb-1 text-4xl">{title}</h1>
      <p className="mb-6 text-soft">{lead}</p>
      {children}
    </section>
  </main>
)

/** What is wrong with a form as a whole. */
export const FormTrouble = ({ sentence }: { sentence: string | undefined }) =>
  sentence ? (
    <p role="alert" className="text-rust">
      {sentence}
    </p>
  ) : null
