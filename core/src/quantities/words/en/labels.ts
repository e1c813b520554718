export const labels = {
  'labels.nameless':
    'Without a name for labels on the shelf, and so left out: {names}. Enter the names that the supplier’s documents give.',
  'labels.soapless': 'Listed as put in, with lye beside it, since the shelf has no name of its soap: {names}.',
  'labels.allergens-unknown':
    'No allergens are on the shelf for {names}: the supplier’s list says which must be named above 0.01 % of a soap that is rinsed off.',
  'labels.claim-medicine':
    '“{word}” says that it treats something: in most places soap becomes a medicine by that, which needs a licence.',
  'labels.claim-biocide':
    '“{word}” says that it acts on germs or animals: in most places soap comes under the rules for biocides by that.',
  'labels.claim-cosmetic':
    '“{word}” says what it does to skin: in some places that needs proof, and makes of plain soap a cosmetic with a safety assessment.',
} as const
