/**
 * What the page for others does where scripts run: a search, a choice of program, keys that are pressed. It reads the data that stand in the page and
 * needs nothing else. Written as it stands in the file.
 */
export const pageScript = String.raw`
'use strict'
const data = JSON.parse(document.getElementById('data').textContent)
const program = document.getElementById('program')
const find = document.getElementById('find')
const said = document.getElementById('said')
const levels = document.getElementById('levels')
document.getElementById('tools').hidden = false
let held = ''
const rows = [...document.querySelectorAll('tr[data-n]')]
const inProgram = (e) => program.value === '' || e.p === program.value
const draw = () => {
  for (const cap of document.querySelectorAll('[data-ref]')) {
    const here = data.filter((e) => inProgram(e) && e.r === cap.dataset.ref && e.h === held)
    const text = cap.querySelector('.on')
    text.textContent = here.length === 0 ? '' : here[0].l + (here.length > 1 ? ' +' + (here.length - 1) : '')
    const most = Number(cap.dataset.w) - 1.6
    const long = text.textContent.length * 1.35
    if (long > most) { text.setAttribute('textLength', most); text.setAttribute('lengthAdjust', 'spacingAndGlyphs') }
    else { text.removeAttribute('textLength') }
    cap.classList.toggle('taken', here.length > 0)
    cap.querySelector('title').textContent = here.map((e) => e.n + (e.c ? ' (' + e.c + ')' : '')).join('; ')
  }
  const words = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  for (const row of rows) {
    const e = data[Number(row.dataset.n)]
    const text = (e.n + ' ' + e.m + ' ' + e.k + ' ' + e.c).toLowerCase()
    row.hidden = !inProgram(e) || !words.every((w) => text.includes(w))
  }
  for (const part of document.querySelectorAll('section[data-p]')) part.hidden = program.value !== '' && part.dataset.p !== program.value
}
program.onchange = draw
find.oninput = draw
levels.onchange = () => { held = levels.value; draw() }
const order = ['Control', 'Shift', 'Alt', 'AltGraph', 'Meta']
const heldOf = (event) => {
  const graph = event.getModifierState('AltGraph')
  const on = { Control: event.ctrlKey && !graph, Shift: event.shiftKey, Alt: event.altKey && !graph, AltGraph: graph, Meta: event.metaKey }
  return order.filter((m) => on[m]).join('+')
}
addEventListener('keydown', (event) => {
  if (event.target === find || event.target === program || event.target === levels) return
  if (['Tab', 'Enter', 'Escape'].includes(event.key) && heldOf(event) === '') return
  if (/^(Control|Shift|Alt|Meta|OS)/.test(event.code)) return
  const now = heldOf(event)
  const here = data.filter((e) => inProgram(e) && e.r === event.code && e.h === now)
  if (here.length > 0) event.preventDefault()
  said.textContent = here.length === 0 ? 'Nothing is on this key.' : here.map((e) => e.k + ': ' + e.n + (e.c ? ' (' + e.c + ')' : '')).join('; ')
  for (const row of rows) row.classList.toggle('hit', here.includes(data[Number(row.dataset.n)]))
  for (const cap of document.querySelectorAll('[data-ref]')) cap.classList.toggle('pressed', cap.dataset.ref === event.code)
})
draw()
`
