import { CaulkerError } from 'caulker/inside/words'
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { withDeclared, type ContractJson } from 'caulker/inside/contract'
import { readJson } from '../node/read-json.js'
import { adoptSource, definersBeside, type AdoptSource, moduleName } from '../node/adopt-source.js'
import { probeEmbedded } from '../node/embedded.js'
import { shown } from '../node/shown.js'
import type { ProbeJob } from '../node/probe-job.js'
import { adoptText, reportJson, type AdoptReport } from 'caulker/inside/report'
import { EXIT } from '../node/exit.js'
import { deliver, progressLine, terminalWidth, wantsColour } from './output.js'
import { troubleReport } from '../node/trouble-report.js'
import type { AdoptOptions } from './adopt-options.js'

export async function runAdopt(sources: string[], options: AdoptOptions, exit: (code: number) => void): Promise<void> {
  const progress = progressLine()
  progress.say('Operating')
  const report = await adopted(sources, options).finally(progress.clear)
  const written = options.output === undefined ? [] : writeAdopted(report, options.output)
  const text = adoptText(
    { ...report, written },
    { colour: wantsColour(), width: terminalWidth(), folder: options.output },
  )
  deliver(options.format === 'json' ? reportJson(report) : text, text, undefined)
  exit(report.troubles.length > 0 ? EXIT.unjudged : EXIT.sound)
}

/** Reads contracts off the elements that some sources define. */
export async function adopted(
  sources: readonly string[],
  options: Pick<AdoptOptions, 'component' | 'browser'>,
): Promise<AdoptReport> {
  const read = sources.map(adoptSource)
  const jobs = read.map(({ modules, tags }, at): ProbeJob => ({
    file: modules[0] ?? '',
    tag: sources[at] ?? '',
    defines: modules,
    adopts: options.component ?? tags,
    seed: 1,
    clauses: undefined,
    gestures: [],
    broken: [],
  }))
  const outcomes = await outcomesOf(jobs, options.browser ?? false)
  const troubles = outcomes.flatMap((one) => ('trouble' in one ? [troubleReport(one.trouble)] : []))
  const components = outcomes.flatMap((outcome, at) =>
    'adopted' in outcome
      ? outcome.adopted.map(({ contract, left }) => {
          const element = read[at]?.elements.find(({ tag }) => tag === contract.tag)
          const whole = element === undefined ? contract : withDeclared(contract, element)
          return { component: contract.tag, modules: outcome.job.defines.map(shown), contract: whole, left }
        })
      : [],
  )
  if (components.length === 0 && troubles.length === 0)
    throw new CaulkerError(
      'bad-argument',
      `${sources.join(', ')}: no custom element is registered by it${othersText(read)}`,
    )
  return { kind: 'adopt', version: 1, components, troubles }
}

/** Where the entry of a package registers nothing, another of its modules may. */
function othersText(read: readonly AdoptSource[]): string {
  const [module] = read.flatMap(({ modules }) => modules)
  const others = module === undefined ? [] : definersBeside(module)
  return others.length === 0
    ? '; name the module that calls customElements.define'
    : `; it may be by ${others.length === 1 ? 'this' : 'one of these'}: ${others.join(', ')}`
}

async function outcomesOf(jobs: readonly ProbeJob[], inBrowser: boolean) {
  if (!inBrowser) return probeEmbedded(jobs, 2, () => undefined)
  const { probeInBrowser } = await import('../node/browser.js')
  return (await probeInBrowser(jobs, () => undefined, { workers: 2, endpoint: undefined })).outcomes
}

/** One file a contract, and a configuration beside them that names the modules; one that is there already is only added to. */
export function writeAdopted({ components }: AdoptReport, folder: string): string[] {
  if (components.length === 0) return []
  mkdirSync(folder, { recursive: true })
  const written = components.map(({ contract }) => {
    const file = join(folder, `${contract.tag}.contract.json`)
    writeFileSync(file, `${JSON.stringify(contract satisfies ContractJson, null, 2)}\n`)
    return file
  })
  const file = join(folder, 'caulker.config.json')
  const config = existsSync(file) ? (readJson(file) as { defines?: readonly string[] }) : {}
  const named = components
    .flatMap(({ modules }) => modules)
    .map((module) => moduleName(resolve(module), resolve(folder)))
  const defines = [...new Set([...(config.defines ?? []), ...named])]
  if (defines.length === config.defines?.length) return written
  writeFileSync(file, `${JSON.stringify({ ...config, defines }, null, 2)}\n`)
  return [...written, file]
}
