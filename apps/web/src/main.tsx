import './look/fonts.css'
import { ChakraProvider } from '@chakra-ui/react'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { App } from './app.js'
import { Update } from './frame/update.js'
import { system } from './look/system.js'

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <BrowserRouter>
        <Update />
        <App />
      </BrowserRouter>
    </ChakraProvider>
  </StrictMode>,
)
