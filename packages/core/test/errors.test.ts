import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from 'vitest'
import { CoreError, coreErrorCodes } from '../src/index.js'

const root = fileURLToPath(new URL('../../../', import.meta.url))

const sourceOf = (folder: string): string =>
  readdirSync(`${root}${folder}`, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/(^|\/)(test|node_modules|dist)\//.test(file))
    .map((file) => readFileSync(`${root}${folder}/${file}`, 'utf8'))
    .join('\n')

test('the list of codes in the docs is that of the code, each with a sentence', () => {
  const rows = [...readFileSync(`${root}docs/errors.md`, 'utf8').matchAll(/^\| `([A-Z_]+)` *\| (.+?) *\|$/gm)]
  expect(rows.map(([, code]) => code)).toEqual([...coreErrorCodes])
  expect(rows.filter(([, , text]) => !/\.$/.test(text ?? ''))).toEqual([])
})

test('every code is thrown somewhere', () => {
  const source = ['packages', 'apps']
    .map(sourceOf)
    .join('\n')
    .replaceAll(/coreErrorCodes = \[[^\]]*\]/g, '')
  expect(coreErrorCodes.filter((code) => !source.includes(`'${code}'`))).toEqual([])
})

test('an error says where, what and how to mend it, in one line', () => {
  const error = new CoreError('USAGE', {
    where: ['line 3', 'command'],
    what: 'it is empty',
    remedy: 'write a name',
  })
  expect(error.message).toBe('line 3 › command: it is empty. write a name.')
})
