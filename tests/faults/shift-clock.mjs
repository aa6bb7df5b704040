// Loaded before the server: its clock jumps at SIGUSR2, to the next of these and round again. In milliseconds.
const JUMPS = [0, 2 * 3_600_000, -2 * 3_600_000, 0, 400 * 86_400_000]
let at = 0
const RealDate = Date
const now = () => RealDate.now() + JUMPS[at % JUMPS.length]
globalThis.Date = class extends RealDate {
  constructor(...args) {
    if (args.length === 0) super(now())
    else super(...args)
  }
  static now() {
    return now()
  }
}
process.on('SIGUSR2', () => at++)
