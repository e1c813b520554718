// A thread that draws bands of rows of one design, for the benchmark.
import { parentPort, workerData } from 'node:worker_threads'
import { renderRows } from '@ostler/core'

parentPort.on('message', ({ view, from, to, fineness }) => {
  const picture = renderRows(workerData.program, view, from, to, fineness)
  parentPort.postMessage(picture, [picture.first.buffer, picture.second.buffer, picture.share.buffer])
})
parentPort.postMessage('ready')
