import { icons } from 'lucide-react'
import { createElement, useId } from 'react'

/** Names as the package writes them in its documentation: `map-pin` for `MapPin`. */
const kebab = (name: string): string =>
  name
    .replace(/([a-z0-9])([A-Z])/g, '$1-$2')
    .replace(/([a-zA-Z])(\d)/g, '$1-$2')
    .replace(/(\d)([A-Z])/g, '$1-$2')
    .toLowerCase()
const byName = new Map(Object.entries(icons).map(([name, icon]) => [kebab(name), icon]))

/** An icon of the icon package by its name, shown beside it. All icons are loaded with it, so it is loaded late. */
export default function IconField({
  icon,
  onChange,
}: {
  icon: string | undefined
  onChange: (icon: string) => void
}) {
  const id = useId()
  const shape = byName.get(icon ?? '')
  return (
    <div>
      <label htmlFor={id} className="block text-[12px] text-ink-2">
        Icon
      </label>
      <div className="flex items-center gap-2">
        <input
          id={id}
          key={icon ?? ''}
          className="field w-full"
          list={`${id}-names`}
          placeholder="none; map-pin, for example"
          defaultValue={icon ?? ''}
          onBlur={(e) => {
            const text = e.target.value.trim()
            if (text === '' || byName.has(text)) onChange(text)
            else e.target.value = icon ?? ''
          }}
        />
        <span className="inline-flex size-7 shrink-0 items-center justify-center border border-rule">
          {shape && createElement(shape, { size: 18, 'aria-hidden': true })}
        </span>
        <datalist id={`${id}-names`}>
          {[...byName.keys()].map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      </div>
    </div>
  )
}
