import { aliveMessage, startedMessage } from './host.js'

/** Called in a worker: holds the lock of its name as long as it lives, so that the page notices its end. */
export function tellAlive(): void {
  const { name, navigator } = self as unknown as { name: string; navigator: Partial<WorkerNavigator> }
  if (!navigator.locks) {
    self.postMessage(startedMessage)
    return
  }
  void navigator.locks.request(name, () => {
    self.postMessage(aliveMessage)
    return new Promise(() => undefined)
  })
}
