// Loaded before the server: at SIGUSR2 it says how much memory is in use when nothing waits to be collected.
process.on('SIGUSR2', () => {
  globalThis.gc?.()
  globalThis.gc?.()
  const { heapUsed, external } = process.memoryUsage()
  process.stdout.write(`${JSON.stringify({ heap: heapUsed + external })}\n`)
})
