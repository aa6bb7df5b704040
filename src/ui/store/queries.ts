/**
 * The one cache of queries of a page, fetched with the first part that asks. What is shown is asked again when somebody comes back
 * to it, and when its revision is announced.
 */
import { notifyManager, QueryClient } from '@tanstack/react-query'

export const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } })
// What was stored and that it waits no more are drawn as one.
notifyManager.setScheduler(queueMicrotask)
// It hears when the window is come back to, and when the line is.
queries.mount()
