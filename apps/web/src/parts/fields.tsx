import { useId, type ChangeEvent, type FocusEvent, type ReactNode } from 'react'

/** A choice among named things, with its caption. */
export function SelectField<T extends string>({
  label,
  value,
  choices,
  onChange,
  className = 'w-full',
  labelClass = 'caption mb-0.5 block',
}: {
  label: string
  value: T
  choices: readonly { readonly id: T; readonly name: string }[]
  onChange: (id: T) => void
  className?: string
  labelClass?: string
}) {
  return (
    <label>
      <span className={labelClass}>{label}</span>
      <select className={`field ${className}`} value={value} onChange={(e) => onChange(e.target.value as T)}>
        {choices.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </select>
    </label>
  )
}

export function TickField({
  checked,
  onChange,
  children,
}: {
  checked: boolean
  onChange: (checked: boolean) => void
  children: ReactNode
}) {
  return (
    <label className="flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-(--magenta)"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {children}
    </label>
  )
}

/** A colour: ink and key colours that are common, and any other. */
export function ColourField({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (colour: string) => void
}) {
  return (
    <label className="flex min-h-7 items-center gap-2">
      <input
        type="color"
        className="h-6 w-9 shrink-0 border border-edge bg-panel"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <span>
        {label} <span className="text-ink-2">{value}</span>
      </span>
    </label>
  )
}

/** What is wrong with a form, in words; nothing while it is empty. */
export const FaultText = ({ children }: { children: string }) =>
  children !== '' && (
    <p role="alert" className="text-magenta">
      {children}
    </p>
  )

/** A text with its label above it. */
export function TextField({
  label,
  value,
  onChange,
  maxLength,
  disabled = false,
  lazily = false,
  className = '',
}: {
  label: string
  value: string
  onChange: (text: string) => void
  maxLength?: number
  disabled?: boolean
  /** what is typed is only taken when the field is left, where half a text would read back differently */
  lazily?: boolean
  className?: string
}) {
  const id = useId()
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-[12px] text-ink-2">
        {label}
      </label>
      <input
        id={id}
        key={lazily ? value : 'live'}
        className="field w-full"
        maxLength={maxLength}
        disabled={disabled}
        {...(lazily
          ? {
              defaultValue: value,
              onBlur: (e: FocusEvent<HTMLInputElement>) =>
                e.target.value !== value && onChange(e.target.value),
            }
          : { value, onChange: (e: ChangeEvent<HTMLInputElement>) => onChange(e.target.value) })}
      />
    </div>
  )
}

/** A choice among a few named things given as pairs. Where there can be many, use a chooser that searches. */
export const ChoiceField = <T extends string>({
  options,
  className = '',
  ...rest
}: {
  label: string
  value: T
  options: readonly (readonly [T, string])[]
  onChange: (value: T) => void
  className?: string
}) => (
  <div className={className}>
    <SelectField
      {...rest}
      labelClass="block text-[12px] text-ink-2"
      choices={options.map(([id, name]) => ({ id, name }))}
    />
  </div>
)
