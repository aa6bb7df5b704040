/** The table of words on the page itself: it comes late, and what is marked in statements is read anew once it is there. */
import { useEffect, useSyncExternalStore } from 'react'
import { onTagger, taggerVersion } from '../../core/objectives/tagging'

/** As the analysis, which has its own (Cairn default): nothing that is read at first waits for it. */
const AFTER_MS = 2500
let asked = false

/** Draws anew once statements read otherwise, and sees to it that the table comes. */
export function useWordTable(): number {
  useEffect(() => {
    if (asked) return
    asked = true
    setTimeout(() => {
      import('../../core/findings/load-tagger')
        .then(({ loadTagger }) => loadTagger())
        .then(() => {
          document.documentElement.dataset['words'] = 'here'
        })
        .catch(() => {
          // Without a connection the lexicon decides until the page is opened again.
          asked = false
        })
    }, AFTER_MS)
  }, [])
  return useSyncExternalStore(onTagger, taggerVersion, taggerVersion)
}
