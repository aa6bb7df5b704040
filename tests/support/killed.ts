/** A browser with a profile of its own on the disk, which can be killed as a power cut does and started again. */
import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { type BrowserContext, chromium } from 'playwright-core'
import { FLAGS } from './browser'

export class KillableBrowser {
  private readonly profile = mkdtempSync(join(tmpdir(), 'cairn-profile-'))
  private child: ChildProcess | null = null

  /** Starts it, with what its profile holds. */
  async start(): Promise<BrowserContext> {
    const args = [...FLAGS, '--headless=new', '--remote-debugging-port=0', `--user-data-dir=${this.profile}`, 'about:blank']
    this.child = spawn(process.env['CHROMIUM'] ?? '/usr/bin/chromium', args, { detached: true, stdio: ['ignore', 'ignore', 'pipe'] })
    const { stderr } = this.child
    if (!stderr) throw new Error('the browser says nothing')
    for await (const said of createInterface(stderr)) {
      const address = /DevTools listening on (\S+)/.exec(said)?.[1]
      if (!address) continue
      stderr.resume()
      const [context] = (await chromium.connectOverCDP(address)).contexts()
      if (!context) throw new Error('the browser has no window')
      return context
    }
    throw new Error('the browser did not start')
  }

  /** Ends all its processes at once: none of them can write anything down. */
  async kill(): Promise<void> {
    if (!this.child?.pid || this.child.exitCode !== null || this.child.signalCode !== null) return
    const gone = once(this.child, 'exit')
    process.kill(-this.child.pid, 'SIGKILL')
    await gone
  }

  async clear(): Promise<void> {
    await this.kill()
    rmSync(this.profile, { recursive: true, force: true, maxRetries: 5 })
  }
}
