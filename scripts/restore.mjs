// npm run -s restore -- FILE [--passphrase-file FILE]: puts a backup in the place of what is there. Ostler must not run meanwhile.
import { resolve } from 'node:path'
import { ensurePackages } from './lib/build.mjs'
import { restoreHere, restoreInto } from './lib/backup.mjs'
import { holdLock } from './lib/lock.mjs'
import { optionFrom, textOf } from './lib/options.mjs'
import { Told, run } from './lib/say.mjs'

await run(async () => {
  const args = process.argv.slice(2)
  const file = optionFrom(args, '--passphrase-file')
  const passphrase = file ? textOf(file).trim() : ''
  if (args.length !== 1) throw new Told('Name a backup: npm run -s restore -- ostler.backup')
  const archive = resolve(process.env.INIT_CWD ?? '.', args[0])
  ensurePackages()
  if (process.env.DATABASE_URL) {
    const { madeAt } = await restoreInto(process.env.DATABASE_URL, archive, passphrase)
    console.log(`Restored as it was at ${madeAt}.`)
    return
  }
  const letGo = holdLock()
  try {
    const kept = await restoreHere(archive, passphrase)
    console.log(kept ? `Restored. What was there before is in the folder of backups: ${kept}.` : 'Restored.')
  } finally {
    letGo()
  }
})
