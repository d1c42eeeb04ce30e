import { TabsFrame } from '../../parts/tabs-frame.js'
import { BenchMenu } from './bench-menu.js'

const tabs = [
  { to: '/bench', name: 'Desk' },
  { to: '/bench/hand', name: 'Hand' },
  { to: '/bench/devices', name: 'Compare devices' },
  { to: '/bench/moves', name: 'From bench to bench' },
]

/** Devices and hands on the desk: laid out, compared, and carried from one bench to another. */
export const BenchView = () => (
  <TabsFrame title="Bench" label="Parts of the bench" tabs={tabs}>
    <BenchMenu />
  </TabsFrame>
)
