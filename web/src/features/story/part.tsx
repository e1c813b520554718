import type { ReactNode } from 'react'

/** A chapter of the story; it keeps together on paper where it can. */
export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="mb-5 break-inside-avoid overflow-x-auto print:mb-3">
    <h2 className="mb-1 border-b-2 border-ink text-lg">{title}</h2>
    {children}
  </section>
)

export interface TableRow {
  what: ReactNode
  cells: readonly ReactNode[]
}

/** Rows of what and how much. */
export const Table = ({ heads, rows }: { heads?: readonly string[]; rows: readonly TableRow[] }) => (
  <table className="w-full">
    {heads && (
      <thead className="text-[13px] text-soft">
        <tr>
          {heads.map((head, i) => (
            <th key={head} scope="col" className={`py-0.5 font-normal ${i === 0 ? 'text-left' : 'text-right'}`}>
              {head}
            </th>
          ))}
        </tr>
      </thead>
    )}
    <tbody>
      {rows.map((row, i) => (
        <tr key={i} className="border-b border-line">
          <th scope="row" className="py-1 pr-3 text-left align-top font-normal print:py-0.5">
            {row.what}
          </th>
          {row.cells.map((cell, j) => (
            <td key={j} className="py-1 pl-3 text-right align-top whitespace-nowrap print:py-0.5">
              {cell}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
)
