import { schemaProblems, sectionsOf } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A data type that no schema can be. */
export const malformedType = contractRule({
  id: 'malformed-type',
  level: 'error',
  title: 'A data type cannot be',
  why: 'A misspelt type, a bound that is a text or a reference to nowhere lets every value through, or none: nothing that is judged by it is worth anything.',
  mend: 'Write the keyword as JSON Schema 2020-12 has it, or build the type with Type.',
  leaking: `
import { contract } from 'caulker'
const turns: any = { type: 'integerr' }
export const winch = contract('chain-winch', { values: { turns: { type: turns, default: 0 } } })`,
  mended: `
import { contract } from 'caulker'
const turns: any = { type: 'integer' }
export const winch = contract('chain-winch', { values: { turns: { type: turns, default: 0 } } })`,
  *find(contract) {
    for (const { section, its, clauses } of sectionsOf(contract))
      for (const [name, clause] of Object.entries(clauses))
        for (const [key, { kind }] of Object.entries(its.table))
          if (kind.isType === true && clause[key] !== undefined)
            for (const { at, says, meant } of schemaProblems(clause[key]))
              yield leak(
                [section, name],
                `${key} of '${name}'${at.length < 2 ? '' : ` at ${at.slice(0, -1).join('.')}`}: ${says}`,
                {
                  path: [section, name, key, ...at],
                  ...(meant === undefined ? {} : { mend: `Did you mean '${meant}'?` }),
                },
              )
  },
})
