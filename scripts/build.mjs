import { buildAll, ensurePackages } from './lib/build.mjs'
import { run } from './lib/say.mjs'

await run(async () => {
  ensurePackages()
  buildAll()
})
