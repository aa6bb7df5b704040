import { expect } from 'chai'
import { passwordProblem } from '../../src/server/passwords'

describe('passwords', () => {
  const why = async (password: string, own: readonly string[] = []) => (await passwordProblem(password, own)) ?? 'taken'
  it('have a length', async () => {
    expect(await why('kurz'), 'short').to.match(/at least 10/)
    expect(await why('heron wei'), 'nine').to.match(/at least 10/)
    expect(await why('x'.repeat(129)), 'long').to.match(/at most 128/)
    // A character outside the basic plane counts once.
    expect(await why('🪨🪨🪨🪨🪨')).to.match(/at least 10/)
  })
  for (const common of [
    'password123',
    'qwertyuiop',
    'iloveyou123',
    'letmein12345',
    '1234567890ab',
    'aaaaaaaaaaaa',
    'P@ssw0rd2024',
    'drowssap321',
  ])
    it(`refuse ${common}`, async () => expect(await why(common)).to.match(/first that would be tried/))
  it('are not one’s own name or address', async () => {
    const own = ['Marek Havel', 'marek@larkfield.example']
    for (const p of ['marek.havel.1', 'MarekHavel99', 'marek@larkfield.example', 'havelmarek2'])
      expect(await why(p, own), p).to.match(/own name/)
    expect(await why('marek likes gravel bars', own)).to.equal('taken')
  })
  it('may be anything else, in any script, with spaces', async () => {
    for (const p of ['heron under the weir', 'kingfisher over gravel', 'Fluß-Pegel messen', 'река течёт медленно', 'tarn quarry bell'])
      expect(await why(p), p).to.equal('taken')
  })
  it('that are very long are judged in no time to speak of', async () => {
    await why('heron under the weir')
    const begun = performance.now()
    expect(await why('ab1'.repeat(42))).to.be.a('string')
    expect(performance.now() - begun).to.be.below(5000)
  })
})
