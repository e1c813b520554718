import './app/theme.css'
