import { fork } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'
import { Told } from './say.mjs'

const MAIN = join(ROOT, 'server', 'dist', 'src', 'main.js')

/**
 * Starts the server from its build and waits until it listens. It stops by itself when this process goes.
 * @returns the child with what it said: port, set-up code, whether the demo is there
 */
export function startServer(env) {
  const child = fork(MAIN, {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: 'production', ...env },
    detached: true,
    stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
  })
  let complaint = ''
  child.stderr.on('data', text => {
    complaint = `${complaint}${text}`.slice(-4000)
    if (child.listening) process.stderr.write(text)
  })
  return new Promise((resolve, reject) => {
    child.once('message', message => {
      if (message.ready) {
        child.listening = true
        resolve({ child, ...message })
      } else if (message.code === 'EADDRINUSE') {
        reject(new Told(`Port ${env.PORT ?? ''} is in use. Choose another one: PORT=4311 npm start`))
      } else reject(new Told(`The server does not start: ${message.message}`))
    })
    child.once('exit', () => reject(new Told(`The server ended before it was ready. ${complaint.trim()}`)))
  })
}

/** Asks the server to stop and waits for it. */
export function stopServer(child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise(resolve => {
    const force = setTimeout(() => child.kill('SIGKILL'), 5000)
    child.once('exit', () => {
      clearTimeout(force)
      resolve()
    })
    child.kill('SIGTERM')
  })
}
