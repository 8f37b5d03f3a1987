import { counted, inkFor, wrapped, type Ink, visibleIn } from '../words/index.js'
import type { AdoptReport, AdoptedComponent } from './text/model.js'
import { troubleLines } from './text/trouble-text.js'

export interface AdoptTextOptions {
  readonly colour?: boolean
  /** How many characters a line may have; 110 by default. */
  readonly width?: number
  /** Where the contracts were written. */
  readonly folder?: string | undefined
}

/** What was adopted, as text for people: how many contracts, then for each what was guessed and what was left out. */
export function adoptText(
  report: AdoptReport & { readonly written: readonly string[] },
  options: AdoptTextOptions = {},
): string {
  const { components, troubles, written } = visibleIn(report)
  const ink = inkFor(options.colour ?? false)
  const width = options.width ?? 110
  const guesses = components.reduce((sum, { contract }) => sum + Object.keys(contract['guesses'] ?? {}).length, 0)
  const lines = [
    components.length === 0
      ? ink.bad('Nothing was adopted.')
      : `${ink.good(`${counted(components.length, 'contract')} adopted`)}, with ${counted(guesses, 'guess', 'guesses')} to confirm.`,
  ]
  for (const component of components) lines.push('', ...componentLines(component, width, ink))
  if (written.length > 0) lines.push('', ...written.map((file) => `Written to ${file}`))
  if (components.length > 0)
    lines.push(
      '',
      options.folder === undefined
        ? ink.quiet('Next: --output FOLDER writes contract files, which caulker probe FOLDER then tries.')
        : ink.quiet(`Next: read the guesses, then caulker probe ${options.folder}`),
    )
  lines.push(...troubleLines(troubles, ink))
  return `${lines.join('\n')}\n`
}

function componentLines({ contract, left }: AdoptedComponent, width: number, ink: Ink): string[] {
  const names = (section: string) => Object.keys(contract[section] ?? {})
  const guesses = Object.entries((contract['guesses'] ?? {}) as Record<string, string>)
  const rows: [string, string][] = [
    ...SECTIONS.flatMap(([section, title]): [string, string][] =>
      names(section).length === 0 ? [] : [[title, names(section).join(', ')]],
    ),
    ...guesses.map(([at, from]): [string, string] => ['guessed', `${at}: ${from}`]),
    ...left.map((one): [string, string] => ['left out', one]),
  ]
  return [
    `${ink.strong(contract.tag)}${contract['summary'] === undefined ? '' : `  ${ink.quiet(String(contract['summary']))}`}`,
    ...rows.map(([title, text]) => {
      const padded = title.padEnd(14)
      const shown = title === 'guessed' ? ink.unsure(padded) : ink.quiet(padded)
      return `  ${shown}  ${wrapped(text, width, 18)}`
    }),
    ...(rows.length === 0 ? [ink.quiet('  nothing that an owner could give or hear was found')] : []),
  ]
}

const SECTIONS = [
  ['values', 'two-way values'],
  ['properties', 'properties'],
  ['events', 'events'],
  ['commands', 'commands'],
  ['readings', 'readings'],
] as const
