import { TabsFrame } from '../../parts/tabs-frame.js'

const tabs = [
  { to: '/labels', name: 'Sheets' },
  { to: '/labels/printer', name: 'Stand-in printer' },
]

/** What is printed, and the printer that is not there. */
export const LabelsFrame = () => <TabsFrame title="Labels" label="Parts of the labels" tabs={tabs} />
