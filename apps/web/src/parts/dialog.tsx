import { Dialog as Modal, DialogPanel, DialogTitle } from '@headlessui/react'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'

/** A modal dialog with a title, its content and a row of actions. */
export function Dialog({
  title,
  onClose,
  children,
  actions,
  wide = false,
  reading = false,
}: {
  title: string
  onClose: () => void
  children: ReactNode
  actions?: ReactNode
  wide?: boolean
  /** only read, with nothing in it that takes the focus: then the dialog itself is scrolled by keys */
  reading?: boolean
}) {
  return (
    <Modal open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-black/45" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-6 max-[900px]:p-2">
        <DialogPanel
          className={`flex max-h-full max-w-full flex-col border border-ink bg-panel ${wide ? 'w-[860px]' : 'w-[520px]'}`}
        >
          <div className="flex items-center justify-between border-b border-rule px-5 py-3">
            <DialogTitle className="title">{title}</DialogTitle>
            <button type="button" className="p-1.5" aria-label="Close" onClick={onClose}>
              <X size={16} aria-hidden="true" />
            </button>
          </div>
          <div
            className="min-h-0 overflow-y-auto px-5 py-4"
            {...(reading && { tabIndex: 0, role: 'region', 'aria-label': title })}
          >
            {children}
          </div>
          {actions && (
            <div className="flex flex-wrap justify-end gap-2 border-t border-rule px-5 py-3">{actions}</div>
          )}
        </DialogPanel>
      </div>
    </Modal>
  )
}
