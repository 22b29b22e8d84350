import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { language } from '#language/i18n'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { NoConnection } from './api/client'
import { askedAgain } from './api/kept'
import { askWhoIsHere } from './api/session'
import { App } from './app/App'
import { keepShell } from './app/pwa'
import './design/tokens.css'

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: (error) => askWhoIsHere(queries, error) }),
  mutationCache: new MutationCache({ onError: (error) => askWhoIsHere(queries, error) }),
  defaultOptions: {
    // Asked without a network too: an answer may lie on the device.
    queries: {
      networkMode: 'always',
      retry: (times, error) => times < 1 && !(error instanceof NoConnection),
      // What nobody answered in time is asked again by itself, until somebody does.
      refetchInterval: ({ state }) => askedAgain(state.error instanceof NoConnection),
      refetchOnWindowFocus: false,
      staleTime: 2000,
    },
    // At once or not at all: what waits is never sent behind somebody's back, but for taps, which say so.
    mutations: { networkMode: 'always' },
  },
})

keepShell()
document.documentElement.lang = language

const root = document.getElementById('root')
if (!root) throw new Error('index.html has no #root')
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
)
