import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import './app/theme.css'
import { stayOpenOffline } from './app/offline.ts'
import { liveWindow } from './plan/windows.ts'
import { learnLanguage } from './words/learn.ts'

liveWindow()
stayOpenOffline()

// Words stand in constants of many rooms: the language is there before they are read.
await learnLanguage()
const { App } = await import('./app/app.tsx')

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
