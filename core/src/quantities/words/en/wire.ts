export const wire = {
  'wire.shelf-one-json-object': 'A shelf is one JSON object with a list for each kind.',
  'wire.shelf-has-no': 'A shelf has no “{odd}”.',
  'wire.are-list': 'The {kind} are a list.',
  'wire.evidence-list-what-batches': 'Evidence is a list of what batches taught, as the API gives it.',
}
