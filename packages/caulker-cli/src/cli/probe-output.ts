import {
  answerText,
  componentText,
  countClauses,
  probeText,
  reportJson,
  type ComponentReport,
  type ProbesReport,
} from 'caulker/inside/report/text'
import { deliver, progressLine, terminalWidth, wantsColour } from './output.js'
import type { ProbeOptions } from './probe-options.js'

/** Where the report of a probe goes while it comes: component by component to standard output as text, or into a file that is whole each time. */
export interface ProbeOutput {
  take(sofar: ProbesReport, last: ComponentReport | undefined): void
  /** Takes the progress away. */
  pause(): void
  finish(report: ProbesReport): void
}

const WRITE_EVERY = 1000

export async function probeOutput({ format, output }: Pick<ProbeOptions, 'format' | 'output'>): Promise<ProbeOutput> {
  const junit = format === 'junit' ? await import('./probe-junit.js') : undefined
  const progress = progressLine()
  const isStreamed = format === 'text' && output === undefined
  const options = { colour: output === undefined && wantsColour(), width: terminalWidth() }
  let written = 0
  const printed = new Set<string>()
  progress.say('Loading')

  const whole = (report: ProbesReport) => {
    if (format === 'json') return reportJson(report)
    return junit === undefined ? probeText(report, options) : junit.probeJunit(report)
  }
  /** What was judged before, or behind a gap, is printed with the rest. */
  const print = ({ components }: ProbesReport) => {
    for (const component of components) {
      const key = `${component.component}\n${component.file}`
      if (printed.has(key)) continue
      printed.add(key)
      process.stdout.write(componentText(component, options))
    }
  }

  return {
    take(sofar, last) {
      if (isStreamed) {
        progress.clear()
        print(sofar)
      } else if (output !== undefined && performance.now() - written > WRITE_EVERY) {
        written = performance.now()
        deliver(whole(sofar), undefined, output)
      }
      progress.say(progressText(sofar, last))
    },
    pause: progress.clear,
    finish(report) {
      if (!isStreamed) return deliver(whole(report), probeText(report, options), output)
      print(report)
      process.stdout.write(answerText(report, options))
    },
  }
}

function progressText({ components, left = [] }: ProbesReport, last: ComponentReport | undefined): string {
  const leaking = components.filter((component) => countClauses([component]).broken > 0).length
  const all = components.length + left.length
  const found = leaking === 0 ? '' : `, ${leaking} ${leaking === 1 ? 'leaks' : 'leak'}`
  return `${components.length} of ${all} components judged${found}${last === undefined ? '' : `; last: ${last.component}`}`
}
