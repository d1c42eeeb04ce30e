export { readAccelerator, writeAccelerator } from './accelerator.js'
export {
  ownSystemKeysSchema,
  systemActions,
  systemAreas,
  systemTakes,
  systemTrigger,
  type OwnSystemKeys,
  type SystemKey,
  type SystemKeys,
  type SystemTake,
} from './system-keys.js'
export { gnomeKeys } from './gnome-dump.js'
export {
  bindsymKeys,
  configuredKeys,
  lxqtKeys,
  openboxKeys,
  xfceKeys,
  type ConfiguredKey,
} from './config-files.js'
export { readOwnKeys } from './own-keys.js'
