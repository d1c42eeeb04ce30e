import { Tab, TabGroup, TabList } from '@headlessui/react'

/** A row of tabs inside a screen. The content of the chosen one is drawn by whoever shows it. */
export function Subtabs<T extends string>({
  label,
  tabs,
  chosen,
  onChoose,
  className = '',
}: {
  label: string
  tabs: readonly { readonly id: T; readonly name: string }[]
  /** id of the tab that is shown */
  chosen: T
  onChoose: (id: T) => void
  className?: string
}) {
  return (
    <TabGroup
      selectedIndex={Math.max(
        0,
        tabs.findIndex((t) => t.id === chosen),
      )}
      onChange={(at) => {
        const tab = tabs[at]
        if (tab) onChoose(tab.id)
      }}
    >
      <TabList aria-label={label} className={`flex shrink-0 ${className}`}>
        {tabs.map((t) => (
          <Tab key={t.id} className="subtab">
            {t.name}
          </Tab>
        ))}
      </TabList>
    </TabGroup>
  )
}
