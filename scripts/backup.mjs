// npm run -s backup -- FILE [--passphrase-file FILE]: everything that the server keeps, in one file. It may run meanwhile.
import { resolve } from 'node:path'
import { ensurePackages } from './lib/build.mjs'
import { dailyBackup, makeBackup, withDatabase } from './lib/backup.mjs'
import { optionFrom, textOf } from './lib/options.mjs'
import { Told, run } from './lib/say.mjs'

await run(async () => {
  const args = process.argv.slice(2)
  const file = optionFrom(args, '--passphrase-file')
  const passphrase = file ? textOf(file).trim() : ''
  if (file && passphrase.length < 10) throw new Told('A passphrase has at least 10 letters.')
  if (args.length !== 1)
    throw new Told('Name a file: npm run -s backup -- ostler.backup, or --daily for the folder of backups.')
  ensurePackages()
  if (args[0] === '--daily') {
    console.log(await withDatabase(url => dailyBackup(url, undefined, new Date(), passphrase)))
    return
  }
  const archive = resolve(process.env.INIT_CWD ?? '.', args[0])
  const { bytes, schema } = await withDatabase(url => makeBackup(url, archive, passphrase))
  console.log(`${archive}: ${bytes} bytes of data, read again and found whole (${schema}).`)
})
