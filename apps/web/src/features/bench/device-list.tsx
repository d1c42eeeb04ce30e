import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { FileUp, Plus } from 'lucide-react'
import {
  boardIds,
  boardName,
  deviceTitle,
  type Device,
  addBoard,
  addModel,
  putOnBench,
} from '@reach-plot/core'
import { deviceModels } from '@reach-plot/data'
import { BoardFileDialog } from './board-file-dialog.js'
import { useDeviceList, type DeviceListView } from './use-device-list.js'

/** Devices on the bench, other devices of the plan, and a way to add more from the catalogue or a file. */
export function DeviceList(props: { chosenId: string | null; onChoose: (id: string) => void }) {
  const view = useDeviceList(props)
  const { edit, bench, here, chosenId, hand, onChoose, others } = view
  return (
    <section
      aria-label="Devices"
      className="side flex w-[256px] shrink-0 flex-col border-r border-rule bg-panel"
    >
      <AddDeviceMenu view={view} />
      <div className="min-h-0 grow overflow-y-auto">
        <Group title={`On “${bench.name}”`}>
          {here.map((device) => (
            <Row
              key={device.id}
              device={device}
              isChosen={device.id === chosenId}
              note={device.id === hand.deviceId ? `${hand.side} hand` : ''}
              onClick={() => onChoose(device.id)}
            />
          ))}
        </Group>
        {others.length > 0 && (
          <Group title="Elsewhere in the plan">
            {others.map((device) => (
              <Row
                key={device.id}
                device={device}
                isChosen={false}
                note="put here"
                onClick={() => {
                  edit((plan) => putOnBench(plan, device.id))
                  onChoose(device.id)
                }}
              />
            ))}
          </Group>
        )}
      </div>
      {view.boardFile && (
        <BoardFileDialog file={view.boardFile} onAdd={view.addRead} onClose={() => view.setBoardFile(null)} />
      )}
    </section>
  )
}

function ModelItems({
  models,
  view: { choose, edit },
}: {
  models: typeof deviceModels
  view: DeviceListView
}) {
  return models.map((model) => (
    <MenuItem key={model.id}>
      <button
        type="button"
        className="menu-item"
        onClick={() => choose(edit((plan) => addModel(plan, model)))}
      >
        {model.name}
      </button>
    </MenuItem>
  ))
}

function AddDeviceMenu({ view }: { view: DeviceListView }) {
  const { choose, edit, readFile } = view
  return (
    <div className="flex gap-2 px-3 pt-[10px] pb-2">
      <Menu>
        <MenuButton className="btn grow">
          <Plus size={14} aria-hidden="true" /> Add a device
        </MenuButton>
        <MenuItems anchor="bottom start" className="menu-panel max-h-[60vh] w-[290px] overflow-y-auto">
          <p className="caption px-3 pt-1 pb-1">Keyboards</p>
          {boardIds.map((board) => (
            <MenuItem key={board}>
              <button
                type="button"
                className="menu-item"
                onClick={() => choose(edit((plan) => addBoard(plan, board)))}
              >
                {boardName(board)}
              </button>
            </MenuItem>
          ))}
          <ModelItems models={deviceModels.filter((m) => m.form === 'keyboard')} view={view} />
          <p className="caption px-3 pt-2 pb-1">Other devices</p>
          <ModelItems models={deviceModels.filter((m) => m.form !== 'keyboard')} view={view} />
        </MenuItems>
      </Menu>
      <button
        type="button"
        className="btn"
        aria-label="Read a device from a file"
        title="Read a device from a file"
        onClick={() => void readFile()}
      >
        <FileUp size={15} aria-hidden="true" />
      </button>
    </div>
  )
}

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <>
      <p className="caption border-b border-rule px-[14px] pt-2 pb-1">{title}</p>
      <ul>{children}</ul>
    </>
  )
}

function Row({
  device,
  isChosen,
  note,
  onClick,
}: {
  device: Device
  isChosen: boolean
  note: string
  onClick: () => void
}) {
  const title = deviceTitle(device)
  return (
    <li>
      <button
        type="button"
        aria-pressed={isChosen}
        className="flex w-full items-baseline gap-2 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
        onClick={onClick}
      >
        <span className="min-w-0 grow">
          <span className="block truncate">{device.name}</span>
          {title !== device.name && <span className="block truncate text-[12px] opacity-80">{title}</span>}
        </span>
        <span className="shrink-0 text-[12px] opacity-80">{note}</span>
      </button>
    </li>
  )
}
