/** Ends with one sentence a person can act on. */
export class Stop extends Error {}
export const stop = (sentence) => {
  throw new Stop(sentence)
}
export const say = (text) => process.stdout.write(`${text}\n`)

/** Runs a script's main function; a `Stop` is told as its sentence, anything else with its stack. */
export async function main(run) {
  try {
    await run()
  } catch (error) {
    process.stderr.write(`${error instanceof Stop ? error.message : (error?.stack ?? error)}\n`)
    process.exitCode = 1
  }
}
