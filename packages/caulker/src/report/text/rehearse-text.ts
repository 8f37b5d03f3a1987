import { counted, inkFor, visibleIn, wrapped, type Ink } from '../../words/index.js'
import type { PlayedScript } from '../../rehearse/index.js'
import { ledgerLines } from './ledger-text.js'
import type { LiveScripts, RehearsedLeak, RehearsedWiring, RehearseReport } from './model.js'
import { troubleLines } from './trouble-text.js'

/** Several fields may stand in one row, so that none is marked for differing from its owner. */
const REHEARSED = ['step', 'owner', 'component', 'shown']

/** A rehearsal as text for people: the answer first, then each wiring that leaks with its trails, then what is sound. */
export function rehearseText(
  given: RehearseReport,
  { colour = false, width = 110 }: { colour?: boolean; width?: number } = {},
): string {
  const report = visibleIn(given)
  const ink = inkFor(colour)
  const leaking = report.wirings.filter(({ leaks }) => leaks.length > 0)
  const sound = report.wirings.filter(({ leaks }) => leaks.length === 0)
  const lines = answerLines(report, ink)
  for (const wiring of leaking) lines.push('', ...leakingLines(wiring, width, ink))
  if (sound.length > 0)
    lines.push('', ink.strong('No leak found'), ...sound.flatMap((wiring) => soundLines(wiring, width, ink)))
  lines.push(...troubleLines(report.troubles, ink))
  if (leaking.length > 3) lines.push('', ...answerLines(report, ink))
  return `${lines.join('\n')}\n`
}

function answerLines({ wirings, troubles, left = [] }: RehearseReport, ink: Ink): string[] {
  const leaking = wirings.filter(({ leaks }) => leaks.length > 0)
  const leaks = wirings.flatMap((wiring) => wiring.leaks)
  const states = wirings.reduce((sum, wiring) => sum + wiring.states, 0)
  const ended = left.length === 0 ? [] : [ink.unsure(`It was ended before all was rehearsed: ${left.join(', ')} left.`)]
  if (wirings.length === 0)
    return [
      ink.bad(`Nothing was rehearsed${troubles.length + left.length === 0 ? ': no screen or journey was found' : ''}.`),
      ...ended,
    ]
  const in_ = `in ${counted(states, 'state')}`
  const [first] = wirings as [RehearsedWiring]
  const within = ink.quiet(boundsText(first))
  if (leaks.length === 0)
    return [
      `${ink.good(`No leaks in ${counted(wirings.length, 'screen or journey', 'screens and journeys')}`)} ${in_}.`,
      within,
      ...ended,
    ]
  return [
    `${ink.bad(`${leaking.length} of ${counted(wirings.length, 'screen or journey', 'screens and journeys')} ${leaking.length === 1 ? 'leaks' : 'leak'}:`)} ${counted(leaks.length, 'leak')} ${in_}.`,
    within,
    ...ended,
  ]
}

function leakingLines(wiring: RehearsedWiring, width: number, ink: Ink): string[] {
  const lines = [`${ink.bad('✗')} ${ink.strong(wiring.name)}  ${ink.quiet(`${wiring.file} · ${statesText(wiring)}`)}`]
  const known = new Set<string>()
  for (const [at, cause] of causesOf(wiring.leaks).entries())
    lines.push(...(at === 0 ? [] : ['']), ...causeLines(wiring, cause, known, width, ink))
  return [...lines, ...waivedLines(wiring, width, ink)]
}

/** What one trail shows, told together. */
function causesOf(leaks: readonly RehearsedLeak[]): RehearsedLeak[][] {
  const causes = new Map<string, RehearsedLeak[]>()
  for (const leak of leaks) {
    const key = JSON.stringify(leak.trail)
    causes.set(key, [...(causes.get(key) ?? []), leak])
  }
  return [...causes.values()]
}

function causeLines(
  wiring: RehearsedWiring,
  cause: readonly RehearsedLeak[],
  known: Set<string>,
  width: number,
  ink: Ink,
): string[] {
  const [first] = cause as [RehearsedLeak]
  const lines = cause.flatMap((leak) => {
    const isNew = !known.has(leak.invariant)
    known.add(leak.invariant)
    return [
      `  ${ink.bad(leak.invariant)}  ${wrapped(`${leak.says}.`, width, 4)}`,
      ...(leak.file === undefined
        ? []
        : [
            `    ${ink.quiet('allowed')}  at ${[leak.file, leak.line, leak.column].filter((part) => part !== undefined).join(':')}`,
          ]),
      ...(isNew ? [`    ${ink.good('To mend:')} ${wrapped(leak.mend, width, 4)}`] : []),
    ]
  })
  return [
    ...lines,
    '',
    ...ledgerLines(
      first.ledger.map((row) => ({ ...row, heard: '' })),
      width - 4,
      ink,
      0,
      REHEARSED,
    ).map((line) => `    ${line}`),
    '',
    `    ${ink.quiet('replay')}   ${wiring.replay} --play ${quotedTrail(first.trail)}`,
  ]
}

function soundLines(wiring: RehearsedWiring, width: number, ink: Ink): string[] {
  const ends =
    wiring.ends === undefined
      ? []
      : [
          `an end can be reached from ${wiring.ends.asked - wiring.ends.unknown} of ${counted(wiring.ends.asked, 'kind')} of states asked${wiring.ends.unknown > 0 ? ', from the others it could not be judged' : ''}`,
        ]
  return [
    `  ${ink.good('✓')} ${wiring.name}  ${ink.quiet(wrapped([statesText(wiring), ...ends].join('; '), width, 4))}`,
    ...waivedLines(wiring, width, ink),
  ]
}

function waivedLines({ waived }: RehearsedWiring, width: number, ink: Ink): string[] {
  return waived.map(
    ({ invariant, reason }) => `    ${ink.unsure('–')} ${wrapped(`${invariant}, waived: ${reason}`, width, 6)}`,
  )
}

/** How far it was looked: honest about what was left. */
function statesText({ states, ended, left, behind }: RehearsedWiring): string {
  const beyond = behind === 0 ? '' : `, and not what comes after ${counted(behind, 'move')} that leaked`
  const seen = {
    'all-seen': `all ${counted(states, 'state')} seen`,
    'at-the-bound': `${counted(states, 'state')} seen, stopped at the bound with ${left} left`,
    stopped: `${counted(states, 'state')} seen before it was ended, ${left} left`,
  }[ended]
  return `${seen}${beyond}`
}

/** What may happen on a trail, the same for all. */
function boundsText({ bounds }: RehearsedWiring): string {
  const { edits, failures, pending, moves } = bounds
  return `A trail has at most ${counted(edits, 'edit')}, ${counted(failures, 'failure')}, ${counted(pending, 'call')} out at once and ${counted(moves, 'move')}; states are told apart by 64-bit hashes.`
}

/** A script as it was played: whether all was as expected, and the ledger. */
export function playedText(
  given: PlayedScript,
  { colour = false, width = 110 }: { colour?: boolean; width?: number } = {},
): string {
  const played = visibleIn(given)
  const ink = inkFor(colour)
  const { wrong, leaks } = played
  const isSound = wrong === undefined && leaks.length === 0
  const answer = [
    `${isSound ? ink.good('✓') : ink.bad('✗')} ${ink.strong(played.title)}  ${ink.quiet(`${played.of}${isSound ? ' · as expected, and no leak' : ''}`)}`,
    ...(wrong === undefined
      ? []
      : [`  ${ink.bad(`step ${wrong.step}`)}  ${wrapped(`expected: ${wrong.says}.`, width, 4)}`]),
    ...leaks.map(
      ({ invariant, says, step }) =>
        `  ${ink.bad(invariant)}  ${wrapped(`${step === 0 ? 'in the beginning' : `at step ${step}`}, ${says}.`, width, 4)}`,
    ),
  ].join('\n')
  const ledger = ledgerLines(
    played.ledger.map((row) => ({ ...row, heard: '' })),
    width - 4,
    ink,
    0,
    REHEARSED,
  ).map((line) => `    ${line}`)
  return `${[answer, '', ...ledger].join('\n')}\n`
}

/** Scripts as they were played on a page of live components: the answer first, then each that parted from its ideal. */
export function liveText(
  given: LiveScripts,
  { colour = false, width = 110 }: { colour?: boolean; width?: number } = {},
): string {
  const { ranIn, scripts } = visibleIn(given)
  const ink = inkFor(colour)
  const parted = scripts.filter((one) => one.parted !== undefined)
  const unplayed = scripts.filter((one) => one.unplayed !== undefined)
  const whole = scripts.length - parted.length - unplayed.length
  const walks = scripts.filter(({ isWalk }) => isWalk === true).length
  const what = [counted(scripts.length - walks, 'script'), ...(walks > 0 ? [counted(walks, 'random walk')] : [])]
  const answer = `${what.join(' and ')} played on a page of live components, in ${ranIn}: ${whole} as the ideal`
  const lines = [
    parted.length === 0 ? `${ink.good(answer)}.` : `${ink.bad(`${answer}, ${parted.length} not`)}.`,
    ...partedLines(parted, width, ink),
  ]
  if (unplayed.length > 0)
    lines.push(
      '',
      ink.strong('Could not be played to the end'),
      ...unplayed.map(
        ({ title, unplayed: at }) =>
          `  ${ink.unsure('?')} ${wrapped(`${title}: at step ${at?.step}, ${at?.why}`, width, 4)}`,
      ),
    )
  return `${lines.join('\n')}\n`
}

/** What parts in the same way is told once. */
function partedLines(parted: LiveScripts['scripts'], width: number, ink: Ink): string[] {
  const like = (one: LiveScripts['scripts'][number]) =>
    parted.filter(({ of, parted: other }) => of === one.of && other?.says === one.parted?.says)
  const first = (one: LiveScripts['scripts'][number]) => like(one)[0] === one
  return parted.filter(first).flatMap((one) => {
    const times = like(one).length
    return [
      '',
      `${ink.bad('✗')} ${ink.strong(one.title)}${times > 1 ? ink.quiet(`  and ${counted(times - 1, 'other script', 'other scripts')}`) : ''}`,
      `  ${wrapped(`at step ${one.parted?.step}, ${one.parted?.says}.`, width, 4)}`,
      '',
      ...ledgerLines(
        one.ledger.map((row) => ({ ...row, heard: '' })),
        width - 4,
        ink,
        0,
        ['step', 'screen', 'live', 'ideal'],
      ).map((line) => `    ${line}`),
      ...(one.replay === undefined ? [] : ['', `    ${ink.quiet('replay')}   ${one.replay}`]),
    ]
  })
}

/** The steps of a trail as one word of a shell. */
export function quotedTrail(trail: readonly unknown[]): string {
  return `'${JSON.stringify(trail).replaceAll("'", "'\\''")}'`
}
