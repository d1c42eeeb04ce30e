import type { CommandImport } from '@reach-plot/core'

const shown = 200

/** Lines of a file that cannot be used, with column and reason. */
export function BadLines({ bad }: { bad: CommandImport['bad'] }) {
  if (bad.length === 0) return null
  return (
    <>
      <table className="mt-3 w-full">
        <caption className="caption pb-1 text-left">Lines with errors</caption>
        <tbody>
          {bad.slice(0, shown).map(({ line, column, message }) => (
            <tr key={`${line} ${column}`} className="border-t border-rule align-top">
              <td className="w-[80px] py-1">line {line}</td>
              <td className="w-[110px] py-1 text-ink-2">{column}</td>
              <td className="py-1">{message}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {bad.length > shown && <p className="mt-1 text-ink-2">and {bad.length - shown} more</p>}
    </>
  )
}
