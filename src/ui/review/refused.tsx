/** What was written and the server will never take: told, and let go by whoever wrote it. */
import { Button } from '../parts/button'
import type { ShownReview } from './use-review'

export const Refused = ({ review }: { readonly review: ShownReview }) =>
  review.refused.map((e) => (
    <p key={e.id} className="form-error row" role="alert">
      <span>Something was not taken: {e.refused}</span>
      <Button onClick={() => review.waiting.letGo(e.id)}>Let it go</Button>
    </p>
  ))
