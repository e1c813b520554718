// A backup as one file: a line of its own, a line about it, then PostgreSQL's dump, encrypted where a passphrase was given.
import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto'
import {
  closeSync,
  createReadStream,
  createWriteStream,
  fsyncSync,
  openSync,
  readSync,
  renameSync,
  statSync,
} from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { Told } from './say.mjs'

const MAGIC = 'OSTLER-BACKUP 1\n'
const VERSION = 1
const CIPHER = 'aes-256-gcm'
const TAG_BYTES = 16
/** Costs about a tenth of a second and 64 MB a try (RFC 7914). */
const SCRYPT = { N: 2 ** 16, r: 8, p: 1, maxmem: 256 * 2 ** 20 }
const MOST_HEAD = 10_000

const keyOf = (passphrase, salt) => scryptSync(passphrase.normalize('NFKC'), salt, 32, SCRYPT)

/** SHA-256 of a file. */
export async function checksumOf(file) {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

/**
 * Puts a dump into an archive. It stands there whole or not at all: it is written beside its name, and moved when it lies on the disk.
 *
 * @param about what is known of it: when it was made, and the newest migration of its database
 */
export async function pack(dump, archive, about, passphrase = '') {
  const salt = randomBytes(16)
  const iv = randomBytes(12)
  const head = {
    ...{ version: VERSION, ...about, bytes: statSync(dump).size, sha256: await checksumOf(dump) },
    encrypted: passphrase === '' ? null : { salt: salt.toString('base64'), iv: iv.toString('base64') },
  }
  const draft = `${archive}.part`
  const out = createWriteStream(draft, { mode: 0o600 })
  out.write(MAGIC + JSON.stringify(head) + '\n')
  if (passphrase === '') await pipeline(createReadStream(dump), out)
  else {
    const cipher = createCipheriv(CIPHER, keyOf(passphrase, salt), iv)
    cipher.setAAD(Buffer.from(head.sha256))
    await pipeline(createReadStream(dump), cipher, out, { end: false })
    await new Promise((resolve, reject) => out.end(cipher.getAuthTag(), error => (error ? reject(error) : resolve())))
  }
  const handle = openSync(draft, 'r+')
  fsyncSync(handle)
  closeSync(handle)
  renameSync(draft, archive)
  return head
}

/** What an archive says of itself, and where its dump begins. @throws Told when it is none, or of a newer kind */
export function headOf(archive) {
  let bytes
  try {
    const handle = openSync(archive, 'r')
    bytes = Buffer.alloc(MOST_HEAD)
    bytes = bytes.subarray(0, readSync(handle, bytes, 0, MOST_HEAD, 0))
    closeSync(handle)
  } catch (error) {
    throw new Told(`${archive} cannot be read (${error.code ?? 'unknown'}).`)
  }
  const from = Buffer.byteLength(MAGIC)
  const to = bytes.indexOf('\n', from)
  if (bytes.subarray(0, 14).toString() === MAGIC.slice(0, 14) && bytes.subarray(0, from).toString() !== MAGIC)
    throw new Told(`${archive} was made by a newer Ostler. Take that one to restore it.`)
  if (bytes.subarray(0, from).toString() !== MAGIC || to < 0) throw new Told(`${archive} is no backup of Ostler.`)
  try {
    return { head: JSON.parse(bytes.subarray(from, to).toString()), start: to + 1 }
  } catch {
    throw new Told(`${archive} is damaged: what it says of itself cannot be read.`)
  }
}

/** Takes the dump out of an archive and proves it. @throws Told when it is damaged or the passphrase is wrong */
export async function unpack(archive, dump, passphrase = '') {
  const { head, start } = headOf(archive)
  const size = statSync(archive).size
  if (head.encrypted && passphrase === '') throw new Told('This backup is encrypted: say --passphrase-file FILE.')
  const end = head.encrypted ? size - TAG_BYTES : size
  if (end - start !== head.bytes) throw new Told(`${archive} is damaged: a part of it is missing.`)
  const out = createWriteStream(dump, { mode: 0o600 })
  const stream = createReadStream(archive, { start, end: end - 1 })
  if (head.encrypted) {
    const { salt, iv } = head.encrypted
    const key = keyOf(passphrase, Buffer.from(salt, 'base64'))
    const decipher = createDecipheriv(CIPHER, key, Buffer.from(iv, 'base64'), { authTagLength: TAG_BYTES })
    const tag = Buffer.alloc(TAG_BYTES)
    const handle = openSync(archive, 'r')
    readSync(handle, tag, 0, TAG_BYTES, end)
    closeSync(handle)
    decipher.setAuthTag(tag)
    decipher.setAAD(Buffer.from(head.sha256))
    await pipeline(stream, decipher, out).catch(() => {
      throw new Told('The passphrase is wrong, or the backup is damaged.')
    })
  } else await pipeline(stream, out)
  if ((await checksumOf(dump)) !== head.sha256) throw new Told(`${archive} is damaged: its checksum is another one.`)
  return head
}
