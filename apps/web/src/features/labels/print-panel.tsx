import { Printer } from 'lucide-react'
import { useEffect, useState } from 'react'
import { NavLink } from 'react-router'
import { bothSides, type Medium } from '@reach-plot/print'
import { listedPrinters, standInAddress, type PrinterStatus } from '../../store/print-api.js'
import {
  cancelOrder,
  forgetOrder,
  isSettled,
  printAgain,
  retryOrder,
  usePrint,
} from '../../store/print-store.js'
import { useSettings } from '../../store/settings-store.js'
import { SelectField } from '../../parts/fields.js'
import { NumberField } from '../../parts/number-field.js'
import type { FileMaker } from './use-file.js'
import type { SheetState, SheetView } from './use-sheet.js'
import { usePrintPanel } from './use-print-panel.js'

/** Sends the sheet to a printer and tells how far it is. */
export function PrintPanel(props: { view: SheetView; state: SheetState; maker: FileMaker }) {
  const view = usePrintPanel(props)
  const {
    address,
    problem,
    status,
    medium,
    size,
    isTwoSided,
    copies,
    setCopies,
    pages,
    isOpen,
    maker,
    print,
  } = view
  return (
    <section aria-label="Print" className="px-[14px] pt-[10px] pb-4">
      <h3 className="caption mb-1">Print</h3>
      <PrinterField address={address} />
      <p
        role="status"
        className={`mt-1 text-[12px] ${problem !== '' || status?.says ? 'text-magenta' : 'text-ink-2'}`}
      >
        {problem || (status ? statusWords(status) : 'Asking the printer …')}
      </p>
      {size && (medium === 'not taken' || medium === 'not loaded') && (
        <p role="status" aria-label="Size" className="mt-1 text-[12px] text-magenta">
          {mediumWords(medium, size)}
        </p>
      )}
      {isTwoSided && status && (
        <p className="mt-1 text-[12px] text-ink-2">
          {status.sides.includes(bothSides) && status.formats.includes('application/pdf')
            ? 'It prints both sides, and turns the sheet over the short edge.'
            : 'It prints one side: each page comes on a sheet of its own, to be put back to back.'}
        </p>
      )}
      <div className="mt-2 flex items-end gap-3">
        <NumberField
          label="Copies"
          value={copies}
          least={1}
          most={99}
          step={1}
          onChange={(n) => setCopies(Math.round(n))}
        />
        <button
          type="button"
          className="btn btn-main h-[30px]"
          disabled={pages === 0 || isOpen || maker.progress !== null}
          onClick={() => void print()}
        >
          <Printer size={15} aria-hidden="true" /> Print {pages} page{pages === 1 ? '' : 's'}
        </button>
      </div>
      <OrderState />
    </section>
  )
}

const statusWords = (status: PrinterStatus): string => {
  if (!status.isAccepting) return `${status.name} takes no jobs at the moment.`
  const states = { idle: 'is ready', processing: 'is printing', stopped: 'is stopped', unknown: 'answers' }
  return [`${status.name} ${states[status.state]}.`, status.says].filter(Boolean).join(' ')
}

const mediumWords = (
  medium: Medium,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): string => {
  const size = `${Math.round(widthMm * 10) / 10} × ${Math.round(heightMm * 10) / 10} mm`
  return medium === 'not taken'
    ? `It does not take ${size}: what you print now would be refused. Choose another stock or another printer.`
    : `${size} is not loaded. Load it, or choose the stock that is.`
}

/** The stand-in, a printer of the server's list, or another on this machine. */
function PrinterField({ address }: { address: string }) {
  const set = useSettings((s) => s.set)
  const [listed, setListed] = useState<readonly string[]>([])
  const [draft, setDraft] = useState<string | null>(null)
  useEffect(() => {
    // without the list the stand-in and this machine's printers are still there
    listedPrinters().then(
      ({ printers }) => setListed(printers),
      () => undefined,
    )
  }, [])
  const standIn = standInAddress()
  const known = [standIn, ...listed]
  const isOther = draft !== null || !known.includes(address)
  return (
    <>
      <SelectField
        label="Printer"
        value={isOther ? '' : address}
        choices={[
          { id: standIn, name: 'Stand-in: pictures, no paper' },
          ...listed.map((id) => ({ id, name: id })),
          { id: '', name: 'another on this machine' },
        ]}
        onChange={(id) => {
          setDraft(id === '' ? 'ipp://localhost:631/ipp/print' : null)
          if (id !== '') set({ printer: id === standIn ? '' : id })
        }}
      />
      {isOther && (
        <form
          className="mt-1 flex gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            set({ printer: (draft ?? address).trim() })
            setDraft(null)
          }}
        >
          <input
            className="field min-w-0 grow"
            aria-label="Address of the printer"
            value={draft ?? address}
            maxLength={300}
            onChange={(e) => setDraft(e.target.value)}
          />
          <button type="submit" className="btn">
            Use
          </button>
        </form>
      )}
    </>
  )
}

const stateWords = {
  sending: 'On its way to the printer',
  waiting: 'The printer has it and waits',
  printing: 'Printing',
  done: 'Printed',
  cancelled: 'Cancelled',
  failed: 'Not printed, or not all of it',
  unknown: 'Nobody knows whether it was printed',
} as const

/** What became of the last order. */
function OrderState() {
  const { ticket, problem, order } = usePrint()
  // how many there are is no longer known after a reload
  const pages = order === null ? '' : ` of ${order.pages}`
  if (!ticket && problem === '') return null
  const isOpen = ticket !== null && !isSettled(ticket)
  // what may have come out is only asked after; what cannot have come out is sent again
  const mayBeOut = ticket !== null && ticket.wasSent && ['failed', 'unknown'].includes(ticket.state)
  const canRetry =
    problem !== '' || (ticket !== null && ['waiting', 'failed', 'unknown'].includes(ticket.state))
  const isCertain = ticket?.state === 'failed' && !ticket.wasSent
  return (
    <div role="status" aria-label="Last print" className="mt-3 border border-edge p-2">
      {ticket && (
        <p>
          <b>{isCertain ? 'Not printed' : stateWords[ticket.state]}</b>
          <span className="text-ink-2">
            {ticket.jobId !== null && ` · job ${ticket.jobId}`}
            {ticket.pagesDone !== null && ticket.pagesDone > 0 && ` · ${ticket.pagesDone}${pages} out`}
          </span>
          <span
            className="block truncate text-[12px] text-ink-2"
            title={`${ticket.name} on ${ticket.printer}`}
          >
            {ticket.name}
          </span>
        </p>
      )}
      {(problem || ticket?.message) && <p className="mt-1 text-magenta">{problem || ticket?.message}</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {canRetry && !(mayBeOut && ticket.state === 'failed') && (
          <button type="button" className="btn" onClick={() => void retryOrder()}>
            {mayBeOut ? 'Ask the printer again' : 'Try again'}
          </button>
        )}
        {mayBeOut && order !== null && (
          <button type="button" className="btn" onClick={() => void printAgain()}>
            I have looked: print it again
          </button>
        )}
        {isOpen && (
          <button type="button" className="btn" onClick={() => void cancelOrder()}>
            Cancel the job
          </button>
        )}
        {!isOpen && (
          <button type="button" className="btn" onClick={forgetOrder}>
            Put away
          </button>
        )}
        {ticket?.printer === standInAddress() && (
          <NavLink to="/labels/printer" className="link">
            See what came out
          </NavLink>
        )}
      </div>
      {canRetry && !mayBeOut && (
        <p className="mt-1 text-[12px] text-ink-2">
          Trying again prints nothing twice: it is the same order.
        </p>
      )}
      {mayBeOut && (
        <p className="mt-1 text-[12px] text-ink-2">
          Nothing is printed again unless you say so. {ticket.state === 'failed' ? 'All' : 'Then all'}
          {pages === '' ? ' its' : ` ${order?.pages ?? ''}`} pages come out, those that are out already too.
        </p>
      )}
    </div>
  )
}
