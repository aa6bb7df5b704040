import { useComparer } from '../objectives/similar/comparing'
import { useTagger } from '../objectives/tagging'

/** Loads the table of words, so that each statement reads the same whatever stands beside it. */
export async function loadTagger(): Promise<void> {
  useTagger((await import('../objectives/tagger')).TAGGER)
}

/** Loads the table of senses besides, which statements are compared by. */
export async function loadMeanings(): Promise<void> {
  await loadTagger()
  useComparer((await import('../objectives/similar/similar')).COMPARER)
}
