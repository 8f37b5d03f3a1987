import {
  contractToJson,
  elementsOfManifest,
  isWithin,
  manifestOf,
  samplesOf,
  schemaProblems,
  typeText,
  valueClauses,
  withDeclared,
} from 'caulker/inside/contract'
import { isPage } from 'caulker/inside/page'
import fc from 'fast-check'
import {
  accepts,
  check,
  compareContracts,
  designOf,
  explore,
  ideal,
  rules,
  type AnyContract,
  type AnyScreen,
  type Finding,
  type Journey,
  type TSchema,
} from 'caulker'
import { checkPages, pageRules } from 'caulker/page'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'
import { corpus } from './corpus/all.js'
import { seenOnce } from './corpus/once/all.js'
import { folderWith } from './support/cli.js'
import { asRecorded, digest } from './support/recorded.js'
import { anySchema, anyValue } from './support/schemas.js'
import { soundWirings } from './support/sound-wirings.js'

const load = createLoader()
const loaded = (file: string) => load(`${process.cwd()}/examples/${file}`) as Promise<Record<string, unknown>>
const sound: readonly AnyContract[] = [...corpus, ...seenOnce].map(([one]) => one!.contract)
const told = ({ rule, level, subject, says, mend }: Finding) => `${level} ${rule} of ${subject}: ${says} | ${mend}`

describe('what was answered before is answered still', () => {
  it('by each rule, in the words that a person reads', async () => {
    const answers: Record<string, string[]> = {}
    for (const { id, leaking, mended } of [...rules, ...pageRules]) {
      const folder = folderWith({ 'leaking.ts': leaking, 'mended.ts': mended })
      for (const file of ['leaking', 'mended']) {
        const exported = await load(`${folder}/${file}.ts`)
        const design = designOf(exported)
        const pages = checkPages(Object.values(exported).filter(isPage), design.contracts)
        answers[`${id}, ${file}`] = [...check(design), ...pages].map(told)
      }
    }
    asRecorded('rules', answers)
  })

  it('of the leaking yard', async () => {
    const files = ['loading', 'sending', 'drafts', 'bounds'].map((name) => `bilge/rehearsed/${name}.screen.js`)
    const answers: Record<string, string[]> = {}
    for (const file of ['bilge/work-order.screen.js', ...files])
      answers[file] = check(designOf(await loaded(file))).map(told)
    asRecorded('bilge', answers)
  })

  it('of each contract: its file, its manifest, and what becomes of it in the next', () => {
    const answers: Record<string, unknown> = {}
    const manifest = (one: AnyContract) => manifestOf([one], () => `elements/${one.tag}.js`)
    for (const [at, one] of sound.entries()) {
      const next = { ...(sound[(at + 1) % sound.length] as AnyContract), tag: one.tag }
      answers[one.tag] = {
        file: digest(contractToJson(one)),
        manifest: digest(manifest(one)),
        declared: digest(withDeclared({ tag: one.tag }, elementsOfManifest(manifest(one))[0]!)),
        changes: compareContracts([one], [next]).map(
          ({ path, weight, says }) => `${weight} ${path.join('.')}: ${says}`,
        ),
      }
    }
    asRecorded('contracts', answers)
  })

  it('of data types: what is one, what it accepts, which is of the other, how it is read, and its samples', () => {
    const types = fc.sample(anySchema, { numRuns: 400, seed: 11 }) as TSchema[]
    const values = fc.sample(anyValue, { numRuns: 60, seed: 12 })
    const inTens = <T>(all: readonly T[], answer: (one: T, at: number) => unknown) =>
      Array.from({ length: all.length / 10 }, (_, ten) =>
        digest(all.slice(10 * ten, 10 * ten + 10).map((one, at) => answer(one, 10 * ten + at))),
      )
    asRecorded('types', {
      accepts: inTens(types, (type) => values.map((value) => accepts(type, value))),
      within: inTens(types, (type, at) => [1, 2, 3].map((by) => isWithin(type, types[(at + by) % types.length]!))),
      text: inTens(types, (type) => typeText(type)),
      samples: inTens(types, (type) => samplesOf(type)),
      problems: inTens(fc.sample(fc.jsonValue({ maxDepth: 3 }), { numRuns: 400, seed: 13 }), (odd) =>
        schemaProblems({ type: 'object', properties: { odd } } as never),
      ),
    })
  })

  it('by the ideal component of each contract, whatever is done with it', () => {
    const answers: Record<string, string> = {}
    for (const one of sound) {
      const component = ideal(one)
      const names = [...Object.keys(one.values), ...Object.keys(one.properties)]
      const typed = (name: string) => {
        const clause = (one.values[name] ?? one.properties[name])!
        const samples = samplesOf(clause.type)
        return samples.length > 0 ? samples : [clause.default]
      }
      const input = fc.oneof(
        fc
          .constantFrom(...names)
          .chain((name) =>
            fc.constantFrom(...typed(name)).map((value) => ({ kind: 'tell', changes: { [name]: value } }) as const),
          ),
        ...valueClauses(one).map(({ name }) =>
          fc.constantFrom(...typed(name)).map((value) => ({ kind: 'edit', name, value }) as const),
        ),
        fc.constant({ kind: 'commit' } as const),
        fc.constant({ kind: 'time', passed: 200 } as const),
        ...Object.entries(one.commands).map(([name, { takes }]) =>
          fc.constant({
            kind: 'command',
            name,
            args: takes === undefined ? [] : samplesOf(takes).slice(0, 1),
          } as const),
        ),
      )
      const runs = fc.sample(fc.array(input, { minLength: 6, maxLength: 12 }), { numRuns: 20, seed: 14 })
      answers[one.tag] = digest(
        runs.map((run) => {
          let state = component.mount({})
          return run.map((given) => {
            const outcome = component.step(state, given as never)
            state = outcome.state
            return [state, outcome.heard, component.formValue(state), component.isMissing(state)]
          })
        }),
      )
    }
    asRecorded('ideals', answers)
  })

  it('by the machine: the states that are seen of screens and journeys, and what leaks there', async () => {
    const answers: Record<string, unknown> = {}
    const bilge = await Promise.all(
      ['bounds.screen', 'drafts.screen', 'loading.screen', 'sending.screen', 'ways.journey'].map((name) =>
        loaded(`bilge/rehearsed/${name}.js`),
      ),
    )
    const isWiring = (one: unknown): one is AnyScreen | Journey =>
      ['screen', 'journey'].includes((one as { kind?: string } | undefined)?.kind ?? '')
    const wirings = [...soundWirings, ...bilge.flatMap((file) => Object.values(file).filter(isWiring))]
    for (const [at, wiring] of wirings.entries()) {
      const seen = explore(wiring as AnyScreen, { edits: 2, states: 600 })
      answers[`${at} ${(wiring as AnyScreen).name}`] = [
        ...[seen.states, seen.passages, seen.behind, seen.left, seen.depth],
        ...seen.leaks.map(({ invariant, says, trail }) => `${invariant.id} in ${trail.length}: ${says}`),
      ]
    }
    asRecorded('explored', answers)
  })
})
