import { useState } from 'react'
import { IconImage, IconPicker } from './icon-picker.js'
import { useIcons } from './use-icons.js'

/** The icon of a command, chosen by what it shows. All icons are loaded with it, so it is loaded late. */
export default function IconField({
  icon,
  name,
  onChange,
}: {
  icon: string | undefined
  /** the command's name, whose last word is looked for at first */
  name: string
  /** an empty text for none of its own */
  onChange: (icon: string) => void
}) {
  const icons = useIcons()
  const [picking, setPicking] = useState(false)
  if (!icons) return null
  const shown = icon === undefined ? null : icons.get(icon)
  return (
    <div>
      <span className="block text-[12px] text-ink-2">Icon</span>
      <div className="flex items-center gap-2">
        <button type="button" className="btn" aria-expanded={picking} onClick={() => setPicking(!picking)}>
          {shown && <IconImage icon={shown} size={18} />}
          Icon: {shown?.name ?? icon ?? 'none of its own'}
        </button>
        {icon !== undefined && (
          <button type="button" className="link" onClick={() => onChange('')}>
            None
          </button>
        )}
      </div>
      {picking && (
        <div className="mt-1">
          <IconPicker
            icons={icons}
            start={name.split(' ').at(-1) ?? ''}
            onChoose={(id) => {
              onChange(id)
              setPicking(false)
            }}
          />
        </div>
      )}
    </div>
  )
}
