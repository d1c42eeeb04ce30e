import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { buildApp } from '../src/app.js'

const webRoot = mkdtempSync(join(tmpdir(), 'reach-plot-web-'))
writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>Reach Plot</title>')

test('screens get the page, missing files get 404, and nothing from elsewhere may run', async () => {
  const app = await buildApp(webRoot)
  const page = await app.inject('/clashes')
  expect(page.statusCode).toBe(200)
  expect(page.body).toContain('Reach Plot')
  expect(page.headers['content-security-policy']).toContain("script-src 'self'")
  expect((await app.inject('/assets/missing.js')).statusCode).toBe(404)
  expect((await app.inject('/../package.json')).body).not.toContain('workspaces')
  expect((await app.inject('/health')).json()).toEqual({ ok: true })
  await app.close()
})

test('a server without a built app says how to build it', async () => {
  await expect(buildApp(join(webRoot, 'nothing'))).rejects.toThrow(/npm run build/)
})
