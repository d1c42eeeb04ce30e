import { TabsFrame } from '../../parts/tabs-frame.js'

const tabs = [
  { to: '/commands', name: 'Inventory' },
  { to: '/commands/bring-in', name: 'Bring in' },
  { to: '/commands/often', name: 'How often' },
  { to: '/commands/lookup', name: 'Look up' },
  { to: '/commands/mnemonics', name: 'Mnemonics' },
  { to: '/commands/ideas', name: 'Same action elsewhere' },
  { to: '/commands/usage', name: 'Usage' },
  { to: '/commands/routines', name: 'Routines' },
]

/** Everything about commands: what there are, what keys do, how well they are recalled, how often they are used. */
export const CommandsFrame = () => <TabsFrame title="Commands" label="Parts of the commands" tabs={tabs} />
