import createCache from '@emotion/cache'
import { CacheProvider } from '@emotion/react'
import { ThemeProvider } from '@mui/material/styles'
import { type ReactNode, useEffect, useState } from 'react'
import { theme } from '../theme/theme'
import { keepFocus } from './kept-focus'
import { NonceProvider } from './nonce'

/** What every island stands in: the theme, focus that stays, and styles that carry the page's nonce. */
export function Providers({ nonce, children }: { nonce: string; children: ReactNode }) {
  useEffect(keepFocus, [])
  const [cache] = useState(() => createCache({ key: 'mui', prepend: true, nonce }))
  return (
    <NonceProvider value={nonce}>
      <CacheProvider value={cache}>
        <ThemeProvider theme={theme}>{children}</ThemeProvider>
      </CacheProvider>
    </NonceProvider>
  )
}
