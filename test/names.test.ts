import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { globSync } from 'tinyglobby'

const ENTRIES: Record<string, string[]> = {
  caulker: [
    ...[
      'CaulkerError',
      'Type',
      'accepts',
      'contract',
      'contractFromJson',
      'contractToJson',
      'extend',
      'host',
      'printed',
    ],
    ...['typeFrom', 'compareContracts', 'nextVersion', 'ideal', 'idealMount', 'check', 'designOf', 'rules'],
    ...[
      'screen',
      'journey',
      'interior',
      'source',
      'topic',
      'handlers',
      'oneWay',
      'twoWay',
      'draft',
      'reckon',
      'rowsOf',
    ],
    ...['shownWhile', 'load', 'announce', 'call', 'clear', 'discard', 'go', 'payload', 'refresh', 'report', 'reset'],
    ...['run', 'save', 'set', 'submit', 'back', 'states', 'rehearsal', 'explore', 'script', 'playScript', 'scriptTest'],
    ...['scriptFromJson', 'scriptToJson'],
  ],
  'caulker/dom': [
    ...['attachHandlers', 'elementMount', 'mountScreen', 'takeGiven', 'nativeButton', 'nativeCheckbox', 'nativeColour'],
    ...['nativeDate', 'nativeFile', 'nativeNumber', 'nativeOutput', 'nativeRadios', 'nativeRange', 'nativeSelect'],
    ...['nativeText', 'elementFrom', 'mountJourney'],
  ],
  'caulker/inspector': ['inspector', 'recorder'],
  'caulker/probe': ['adoptElement', 'clauses', 'probe', 'probeSuite', 'windowFrames'],
  'caulker/page': ['checkPages', 'markup', 'pageRules'],
  'caulker/report': ['checkSarif', 'checkText', 'probeText', 'reportJson', 'reportSchema', 'sheetText'],
}
const sources = globSync('packages/caulker/src/**/*.ts').map((file) => readFileSync(file, 'utf8'))

describe('the public names', () => {
  for (const [entry, names] of Object.entries(ENTRIES))
    it(`${entry}: are these, and no more`, async () =>
      expect(Object.keys((await import(entry)) as object).sort()).to.eql([...names].sort()))

  for (const name of ENTRIES['caulker']!.filter((one) => /^[a-z]/.test(one) && one !== 'rules'))
    it(`${name} says in its docstring what it does, with an example`, () => {
      const found = sources.flatMap(
        (text) =>
          new RegExp(`(/\\*\\*(?:(?!\\*/)[^])*\\*/)\\nexport (?:(?:async )?function\\*?|const) ${name}\\b`).exec(
            text,
          ) ?? [],
      )
      expect(found[1], 'docstring').to.match(/^\/\*\*\n \* [A-Z][^]*@example\n \* ```ts/)
    })
})
