import { CaulkerError, inkFor } from 'caulker/inside/words'
import { contractToJson } from 'caulker/inside/contract'
import { reportJson, sheetText, troubleLines } from 'caulker/inside/report'
import { declarationOf } from '../node/declaration.js'
import { manifestText } from '../node/manifest-text.js'
import { loadProject } from '../node/project.js'
import { troubleReport } from '../node/trouble-report.js'
import { task } from './task.js'

export interface SheetAsked {
  readonly paths: readonly string[]
  readonly component: string | undefined
  readonly as: 'text' | 'json' | 'manifest' | 'types'
  readonly colour: boolean
  readonly width: number
}

export interface Sheets {
  readonly text: string
  /** Declarations by the file that they are to be written to. */
  readonly declarations: readonly { readonly file: string; readonly text: string }[]
  /** What could not be read, a line each. */
  readonly troubles: readonly string[]
}

/** What components promise: as text, as a manifest, or as declarations beside the JSON contracts. */
export const sheet = task(async ({ paths, component, as, colour, width }: SheetAsked, around): Promise<Sheets> => {
  const { contractFiles, troubles } = await loadProject(paths, around)
  const chosen = contractFiles.filter(({ contract }) => contract.tag === (component ?? contract.tag))
  if (component !== undefined && chosen.length === 0)
    throw new CaulkerError('bad-argument', `--component ${component}: there is no contract of this tag here`)
  const contracts = chosen.map(({ contract }) => contract)
  const json = chosen.filter(({ file }) => file.endsWith('.json'))
  return {
    text:
      as === 'manifest'
        ? await manifestText(chosen)
        : as === 'json'
          ? reportJson({ kind: 'sheet', version: 1, contracts: contracts.map(contractToJson) })
          : sheetText(contracts, { colour, width }),
    declarations:
      as !== 'types'
        ? []
        : await Promise.all(
            json.map(async ({ contract, file }) => ({
              file: file.replace(/\.json$/, '.d.json.ts'),
              text: await declarationOf(contract),
            })),
          ),
    troubles: troubleLines(troubles.map(troubleReport), inkFor(colour)),
  }
})
