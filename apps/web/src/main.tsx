import './ui/theme/fonts.css'
import { ChakraProvider } from '@chakra-ui/react'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { App } from './app/app.js'
import { Personal } from './app/personal.js'
import { Update } from './layout/update.js'
import { queryClient } from './data/query-client.js'
import { system } from './ui/theme/system.js'

const queries = queryClient()

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <BrowserRouter>
        <Update />
        <QueryClientProvider client={queries}>
          <Personal>
            <App />
          </Personal>
        </QueryClientProvider>
      </BrowserRouter>
    </ChakraProvider>
  </StrictMode>,
)
