import { useTagger } from '../objectives/tagging'

/** Loads the table of words, so that each statement reads the same whatever stands beside it. */
export async function loadTagger(): Promise<void> {
  useTagger((await import('../objectives/tagger')).TAGGER)
}
