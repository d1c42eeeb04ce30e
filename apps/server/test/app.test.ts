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
