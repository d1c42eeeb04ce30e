import { TabsFrame } from '../../parts/tabs-frame.js'

const tabs = [
  { to: '/clashes', name: 'Findings' },
  { to: '/clashes/matrix', name: 'Where and at which stage' },
  { to: '/clashes/machine', name: 'This machine' },
]

/** What takes a key before its command gets it: the findings, where they pile up, and what this machine does. */
export const ClashesFrame = () => <TabsFrame title="Clashes" label="Parts of the clashes" tabs={tabs} />
