export { readAccelerator } from './accelerator.js'
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
export { gnomeKeys, readGnomeDump } from './gnome-dump.js'
