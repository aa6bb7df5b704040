import createCache from '@emotion/cache'
import { CacheProvider } from '@emotion/react'
import { ThemeProvider } from '@mui/material/styles'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { theme } from '../theme/theme'
import { NonceProvider } from './nonce'

/** One cache of queries a page. What is shown is asked again when somebody comes back to it, and when its revision is announced. */
const queries = () => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } })

/** What every island stands in: the theme, and styles that carry the page's nonce. */
export function Providers({ nonce, children }: { nonce: string; children: ReactNode }) {
  const [cache] = useState(() => createCache({ key: 'mui', prepend: true, nonce }))
  const [client] = useState(queries)
  return (
    <NonceProvider value={nonce}>
      <CacheProvider value={cache}>
        <QueryClientProvider client={client}>
          <ThemeProvider theme={theme}>{children}</ThemeProvider>
        </QueryClientProvider>
      </CacheProvider>
    </NonceProvider>
  )
}
