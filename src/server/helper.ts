/** A process beside the server that does heavy work, one piece after the other. It ends with the server. */
import { type Asked, answered } from './answered'

const end = () => process.exit()
process.once('disconnect', end)
process.on('message', async (asked: Asked) => {
  const answer = await answered(asked)
  // Where nobody is there any more to hear it, it ends.
  process.send?.(answer, (error: Error | null) => error && end())
})
