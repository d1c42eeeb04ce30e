import { describe, expect, test } from 'vitest'
import { buildApp } from '../src/app.js'
import { readSettings } from '../src/settings.js'
import { openApp, options, webRoot } from './open.js'

describe('the app', () => {
  test('screens get the page, missing files get 404, and nothing from elsewhere may run', async () => {
    const app = await openApp()
    const page = await app.inject('/clashes')
    expect(page.statusCode).toBe(200)
    expect(page.body).toContain('Reach Plot')
    expect(page.headers['content-security-policy']).toContain("script-src 'self'")
    expect(page.headers['x-content-type-options']).toBe('nosniff')
    expect((await app.inject('/labels/printer')).statusCode).toBe(200)
    expect((await app.inject('/assets/missing.js')).statusCode).toBe(404)
    expect((await app.inject('/api/nothing')).statusCode).toBe(404)
    expect((await app.inject('/../package.json')).body).not.toContain('workspaces')
    expect((await app.inject('/health')).json()).toEqual({ ok: true })
  })
  test('a server without a built app says how to build it', async () => {
    await expect(buildApp(`${webRoot}/nothing`, options())).rejects.toThrow(/npm run build/)
  })
})

describe('who may ask', () => {
  test('pages from elsewhere and names that lead here are turned away', async () => {
    const app = await openApp()
    const ask = async (headers: Record<string, string>): Promise<number> =>
      (await app.inject({ method: 'GET', url: '/api/stand-in', headers })).statusCode
    expect(await ask({ host: '127.0.0.1:4747' })).toBe(200)
    expect(await ask({ host: 'localhost:4747', origin: 'http://localhost:4747' })).toBe(200)
    expect(await ask({ host: '[::1]:4747' })).toBe(200)
    expect(await ask({ host: 'localhost:4747', origin: 'http://localhost:9999' })).toBe(403)
    expect(await ask({ host: 'localhost:4747', origin: 'https://elsewhere.example' })).toBe(403)
    expect(await ask({ host: 'localhost:4747', origin: 'null' })).toBe(403)
    expect(await ask({ host: 'rebound.example' })).toBe(403)
    // the same host and port by another scheme is another page
    for (const scheme of ['https', 'ftp', 'ws', 'file'])
      expect(await ask({ host: 'localhost:4747', origin: `${scheme}://localhost:4747` })).toBe(403)
    for (const [site, code] of [
      ['same-origin', 200],
      ['none', 200],
      ['same-site', 403],
      ['cross-site', 403],
    ] as const)
      expect(await ask({ host: 'localhost:4747', 'sec-fetch-site': site })).toBe(code)
  })
  test('a link from elsewhere opens the app, but nothing that does or tells something', async () => {
    const app = await openApp()
    const ask = async (method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string): Promise<number> =>
      (await app.inject({ method, url, headers: { host: 'localhost:4747', 'sec-fetch-site': 'cross-site' } }))
        .statusCode
    expect(await ask('GET', '/clashes')).toBe(200)
    for (const [method, url] of [
      ['GET', '/api/printers'],
      ['POST', '/api/printers/status'],
      ['POST', '/api/print'],
      ['POST', '/api/print/ticket-0001/status'],
      ['DELETE', '/api/print/ticket-0001'],
      ['PUT', '/api/stand-in/faults'],
      ['POST', '/ipp/print'],
    ] as const)
      expect(await ask(method, url), `${method} ${url}`).toBe(403)
    // what reached out by a mere address does so no longer
    expect((await app.inject('/api/printers/status?printer=ipp://127.0.0.1/ipp')).statusCode).toBe(404)
    expect((await app.inject('/api/print/ticket-0001')).statusCode).toBe(404)
  })
  test('who is turned away gets the same headers', async () => {
    const app = await openApp()
    const [letIn, away] = await Promise.all([
      app.inject({ url: '/clashes', headers: { host: 'localhost:4747' } }),
      app.inject({ url: '/clashes', headers: { host: 'rebound.example' } }),
    ])
    expect(away.statusCode).toBe(403)
    for (const name of [
      'content-security-policy',
      'x-content-type-options',
      'x-frame-options',
      'referrer-policy',
    ])
      expect(away.headers[name], name).toBe(letIn.headers[name])
    expect(away.headers['content-security-policy']).toBeDefined()
  })
  test('what cannot be read is answered with a code and no words of the engine', async () => {
    const app = await openApp()
    const answer = await app.inject({
      method: 'PUT',
      url: '/api/stand-in/faults',
      headers: { 'content-type': 'application/json' },
      payload: '{"faults": [',
    })
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toEqual({ code: expect.any(String), error: 'The request cannot be read.' })
  })
  test('a body that is larger than its kind may be is refused before it is read', async () => {
    const app = await openApp()
    const large = await app.inject({
      method: 'PUT',
      url: '/api/stand-in/faults',
      headers: { 'content-type': 'application/json' },
      payload: `{"faults":["${'x'.repeat(100_000)}"]}`,
    })
    expect(large.statusCode).toBe(413)
    const document = await app.inject({
      method: 'POST',
      url: '/api/print?ticket=12345678',
      headers: { 'content-type': 'application/pdf', 'content-length': String(65_000_000) },
      payload: Buffer.alloc(65_000_000),
    })
    expect(document.statusCode).toBe(413)
  })
})

describe('settings', () => {
  test('are read from the environment, with nothing but this machine’s printers by default', () => {
    expect(readSettings({})).toMatchObject({ port: 4747, printers: [] })
    const given = readSettings({
      PORT: '5000',
      REACH_PLOT_PRINTERS: 'ipp://10.0.0.7/ipp/print, ipps://10.0.0.8/ipp',
      REACH_PLOT_STATE: '/tmp/x',
    })
    expect(given).toEqual({
      port: 5000,
      printers: ['ipp://10.0.0.7/ipp/print', 'ipps://10.0.0.8/ipp'],
      stateFolder: '/tmp/x',
    })
  })
  test.each([
    [{ PORT: 'many' }, /PORT is "many"; set it to a number/],
    [{ REACH_PLOT_PRINTERS: 'http://10.0.0.7' }, /REACH_PLOT_PRINTERS: .*must begin with ipp/],
  ])('that cannot be meant are refused with how to write them: %o', (environment, message) => {
    expect(() => readSettings(environment)).toThrow(message)
  })
})
