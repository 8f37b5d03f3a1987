import { counted, inkFor, type Ink, visibleIn } from '../words/index.js'
import type { CompareReport, LocatedChange } from './text/model.js'
import { troubleLines } from './text/trouble-text.js'

/** A comparison as text for people: the answer first, then what breaks owners and where, then what does not. */
export function compareText(given: CompareReport, options: { colour?: boolean } = {}): string {
  const report = visibleIn(given)
  const ink = inkFor(options.colour ?? false)
  const breaking = report.changes.filter((change) => change.weight === 'major')
  const others = report.changes.filter((change) => change.weight !== 'major')
  const lines = [answer(report, breaking.length, ink)]
  if (breaking.length > 0)
    lines.push('', ink.strong('Breaks owners'), ...breaking.flatMap((change) => changeLines(change, ink)))
  if (others.length > 0)
    lines.push('', ink.strong('Breaks nobody'), ...others.flatMap((change) => changeLines(change, ink)))
  return `${[...lines, ...troubleLines(report.troubles, ink)].join('\n')}\n`
}

function answer({ changes, next, from, troubles }: CompareReport, breaking: number, ink: Ink): string {
  const number =
    from === undefined || next === undefined || next === from
      ? ''
      : ` The next version after ${from} is ${next} at least.`
  if (breaking > 0)
    return `${ink.bad(`${breaking} of ${counted(changes.length, 'change')} ${breaking === 1 ? 'breaks' : 'break'} owners.`)}${number}`
  if (changes.length > 0) return `${ink.good(`No owner breaks by ${counted(changes.length, 'change')}.`)}${number}`
  return troubles.length > 0
    ? ink.bad('Not everything could be compared; what could is the same.')
    : ink.good('The contracts are the same.')
}

function changeLines({ contract, path, weight, says, hits }: LocatedChange, ink: Ink): string[] {
  const mark = weight === 'major' ? ink.bad('✗') : ink.good(weight === 'minor' ? '+' : '·')
  return [
    `  ${mark} ${ink.strong([contract, ...path.slice(1)].join(' / '))}  ${says}`,
    ...hits.map(
      ({ screen, fitting, file, line, column }) =>
        `      ${ink.unsure('hits')} ${screen} / ${fitting}  ${ink.quiet(file === undefined ? '' : `${file}:${line ?? 1}:${column ?? 1}`)}`,
    ),
  ]
}
