/** Comparing statements in the tests of a file, as everywhere once the tables are here. */

import { useComparer } from '../../src/core/objectives/similar/comparing'
import { COMPARER } from '../../src/core/objectives/similar/similar'

export function comparing(): void {
  before(() => useComparer(COMPARER))
  after(() => useComparer(null))
}
