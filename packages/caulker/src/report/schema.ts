import { Type, type TSchema } from '../contract/index.js'

const text = Type.String()
const count = Type.Integer({ minimum: 0 })
const anything = Type.Unknown()
const position = {
  file: text,
  line: Type.Optional(Type.Integer({ minimum: 1 })),
  column: Type.Optional(Type.Integer({ minimum: 1 })),
}
const strict = <P extends Record<string, TSchema>>(properties: P) =>
  Type.Object(properties, { additionalProperties: false })

const trouble = strict({ ...position, says: text })
const finding = strict({
  ...position,
  file: Type.Optional(text),
  rule: text,
  level: Type.Enum(['error', 'warning', 'note']),
  subject: text,
  says: text,
  mend: text,
  played: Type.Optional(text),
})
const ledgerRow = strict({ step: text, heard: text, owner: text, component: text, shown: text })
const leak = strict({
  says: text,
  expected: text,
  found: text,
  cause: Type.Optional(text),
  ledger: Type.Array(ledgerRow, { minItems: 1 }),
})
const clause = strict({
  clause: text,
  promise: text,
  status: Type.Enum(['held', 'broken', 'unproven', 'waived']),
  reason: Type.Optional(text),
  applies: Type.Optional(Type.Literal(false)),
  needs: Type.Optional(text),
  browserDecides: Type.Optional(Type.Literal(true)),
  trails: count,
  leak: Type.Optional(leak),
})
const component = strict({
  component: text,
  file: text,
  replay: text,
  isUnoperated: Type.Optional(Type.Literal(true)),
  clauses: Type.Array(clause),
})

const checkReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('check'),
  version: Type.Literal(1),
  contracts: count,
  screens: count,
  interiors: count,
  journeys: count,
  pages: count,
  findings: Type.Array(finding),
  troubles: Type.Array(trouble),
})
const probeReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('probe'),
  version: Type.Literal(1),
  seed: Type.Integer(),
  ranIn: text,
  components: Type.Array(component),
  troubles: Type.Array(trouble),
  only: Type.Optional(Type.Array(text)),
  left: Type.Optional(Type.Array(text)),
})

const hit = strict({ ...position, file: Type.Optional(text), screen: text, fitting: text })
const change = strict({
  contract: text,
  path: Type.Array(text),
  weight: Type.Enum(['major', 'minor', 'patch']),
  says: text,
  hits: Type.Array(hit),
})
const compareReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('compare'),
  version: Type.Literal(1),
  from: Type.Optional(text),
  next: Type.Optional(text),
  changes: Type.Array(change),
  troubles: Type.Array(trouble),
})

const sheetReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('sheet'),
  version: Type.Literal(1),
  contracts: Type.Array(Type.Object({ tag: text }, { description: 'As contract-1.json describes' })),
})

const contractJson = Type.Object({ tag: text }, { description: 'As contract-1.json describes' })
const adoptReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('adopt'),
  version: Type.Literal(1),
  components: Type.Array(
    strict({ component: text, modules: Type.Array(text), contract: contractJson, left: Type.Array(text) }),
  ),
  troubles: Type.Array(trouble),
})

const trailJson = Type.Array(Type.Object({}, { description: 'A step, as script-1.json describes' }))
const rehearsedRow = strict({ step: text, owner: text, component: text, shown: text })
const rehearsedLeak = strict({
  invariant: text,
  title: text,
  says: text,
  mend: text,
  screen: text,
  ...position,
  file: Type.Optional(text),
  trail: trailJson,
  ledger: Type.Array(rehearsedRow, { minItems: 1 }),
})
const liveScripts = strict({
  ranIn: text,
  scripts: Type.Array(
    strict({
      title: text,
      of: text,
      ledger: Type.Array(rehearsedRow),
      parted: Type.Optional(strict({ step: count, says: text, trail: trailJson })),
      isWalk: Type.Optional(Type.Boolean()),
      replay: Type.Optional(text),
      unplayed: Type.Optional(strict({ step: count, why: text })),
    }),
  ),
})
const rehearseReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('rehearse'),
  version: Type.Literal(1),
  wirings: Type.Array(
    strict({
      ...position,
      wiring: Type.Enum(['screen', 'journey']),
      name: text,
      states: count,
      passages: count,
      depth: count,
      ended: Type.Enum(['all-seen', 'at-the-bound', 'stopped']),
      left: count,
      behind: count,
      bounds: strict({ edits: count, failures: count, pending: count, moves: count, states: count }),
      leaks: Type.Array(rehearsedLeak),
      waived: Type.Array(strict({ invariant: text, reason: text })),
      ends: Type.Optional(strict({ asked: count, unknown: count })),
      replay: text,
    }),
  ),
  troubles: Type.Array(trouble),
  left: Type.Optional(Type.Array(text)),
  live: Type.Optional(liveScripts),
})
const playReport = strict({
  $schema: Type.Optional(text),
  kind: Type.Literal('play'),
  version: Type.Literal(1),
  scripts: Type.Array(
    strict({
      title: text,
      of: text,
      ledger: Type.Array(rehearsedRow),
      leaks: Type.Array(strict({ invariant: text, says: text, step: count })),
      wrong: Type.Optional(
        strict({ step: count, says: text, expected: Type.Optional(anything), found: Type.Optional(anything) }),
      ),
    }),
  ),
  troubles: Type.Array(trouble),
  live: Type.Optional(liveScripts),
})

/** The JSON Schema (2020-12) of every JSON report of version 1. */
export const reportSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:caulker:report:1',
  title: 'A report of caulker check, probe, rehearse (with and without scripts), compare, sheet or adopt, version 1',
  ...Type.Union([checkReport, probeReport, rehearseReport, playReport, compareReport, sheetReport, adoptReport]),
}
