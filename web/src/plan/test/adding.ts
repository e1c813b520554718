import { fireEvent, screen } from '@testing-library/react'

/** Opens an add list by its name and takes a line of it. */
export function addFrom(name: string, id: string): void {
  fireEvent.click(screen.getByRole('button', { name }))
  const option = screen.getAllByRole('option').find(one => one.dataset['id'] === id)
  if (!option) throw new Error(`“${name}” has no ${id}`)
  fireEvent.click(option)
}
