export const colour = {
  'colour.nothing-left-for-step': 'Nothing is left for step {n}.',
  'colour.step-needs-left-make':
    'Step {n} needs {pourG}, and {massG} is left. Make the mother cup larger or the steps smaller.',
}
