import { referenceShelf } from '@ostler/core'
import { fireEvent, render, screen } from '@testing-library/react'
import { expect, test } from 'vitest'
import { PasteRecipe } from './paste-recipe.tsx'
import type { TakenRecipe } from './paste-recipe.tsx'
import { textOfFile } from './sheet-text.ts'

test('what is pasted is shown line by line, put right by hand, and taken over', () => {
  let taken: TakenRecipe | null = null
  render(<PasteRecipe shelf={referenceShelf()} onTake={recipe => (taken = recipe)} />)
  const text = 'Coconut oil 250 g\nPalm oil 150 g\nunicorn fat 30 g\nLye 58,2 g\nWater 140 g\nTotal 628 g'
  fireEvent.change(screen.getByLabelText('The recipe, as text or cells'), { target: { value: text } })
  expect(screen.getByRole('status').textContent).toContain('are guesses')
  fireEvent.change(screen.getByLabelText('What “unicorn fat 30 g” is'), { target: { value: 'shea' } })
  fireEvent.change(screen.getByLabelText('What “Total 628 g” is'), { target: { value: 'nothing' } })
  expect(screen.getByRole('status').textContent).toBe('Every line was known.')
  fireEvent.click(screen.getByRole('button', { name: 'Take these lines' }))
  expect(taken).toEqual({
    oils: [
      { oil: 'coconut', massG: 250 },
      { oil: 'palm', massG: 150 },
      { oil: 'shea', massG: 30 },
    ],
    ...{ lyeG: 58.2, waterG: 140 },
  })
})

test('files that hold no recipe are refused with a sentence', async () => {
  const file = (name: string, content: string) => new File([content], name)
  expect(await textOfFile(file('recipe.csv', 'Olive;400 g'))).toEqual({ ok: true, text: 'Olive;400 g' })
  expect(await textOfFile(file('recipe.pdf', 'x'))).toMatchObject({ ok: false })
  expect(await textOfFile(file('recipe.xlsx', 'no spreadsheet at all'))).toMatchObject({
    sentence: expect.stringContaining('cannot be read') as string,
  })
  expect(await textOfFile(file('recipe.txt', 'x'.repeat(2_000_001)))).toMatchObject({
    sentence: expect.stringContaining('too large') as string,
  })
})
