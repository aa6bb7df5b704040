import { createContext, useContext } from 'react'

const NonceContext = createContext('')
export const NonceProvider = NonceContext.Provider
/** The page's nonce, for libraries that write style elements. */
export const useNonce = (): string => useContext(NonceContext)
