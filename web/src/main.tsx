import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './app/app.tsx'
import './app/theme.css'
import { stayOpenOffline } from './app/offline.ts'
import { liveWindow } from './plan/windows.ts'

liveWindow()
stayOpenOffline()

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
