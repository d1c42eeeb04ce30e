import { toast } from '../store/message.js'
import { registerSW } from 'virtual:pwa-register'

/**
 * Keeps the whole app in the browser, so that every screen opens without a network or the server; a new version is offered
 * and taken when the person wants it.
 */
export function offerUpdates(): void {
  if (import.meta.env.DEV) return
  const update = registerSW({
    onNeedRefresh() {
      toast('There is a new version of Reach Plot. Your plan stays as it is.', {
        // the same offer once, however often it is found
        id: 'new-version',
        duration: Infinity,
        action: {
          label: 'Load it',
          onClick() {
            // also on a first visit, when the page was loaded before any version was kept
            navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), {
              once: true,
            })
            void update(true)
          },
        },
      })
    },
  })
}
