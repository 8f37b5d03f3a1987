import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { rules } from 'caulker'
import { SECTIONS, WHOLE } from 'caulker/inside/contract'
import { everyInvariant } from 'caulker/inside/rehearse'
import { pageRules } from 'caulker/page'
import { clauses } from 'caulker/probe'

// npm run reference: writes docs/reference.md from the objects that check, rehearse and probe themselves use.
if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync('docs/reference.md', reference())

/** The reference of every rule and clause. */
export function reference() {
  const about = (kind) => rules.filter((rule) => rule.about === kind)
  return (
    [
      '# Reference',
      'Made by `npm run reference` from the rules, invariants and clauses themselves.',
      '## What a contract says',
      'Each clause of a contract, from the one table that contracts are read, written, compared and explained by.',
      ...contractTables(),
      '## Findings about contracts',
      ...about('contract').map(ruleText),
      '## Findings about screens',
      ...about('screen').map(ruleText),
      '## Findings about journeys',
      ...about('journey').map(ruleText),
      '## Findings about what belongs together',
      ...about('design').map(ruleText),
      '## Findings about pages',
      ...pageRules.map(ruleText),
      '## Invariants of a rehearsal',
      'What every rehearsal sees to, without a word from the developer. A screen or journey waives one with its reason: `waives: { id: reason }`; its own are said in `always` and `never`.',
      ...everyInvariant.map(({ id, title, why, mend }) => `### \`${id}\`\n\n**${title}.** ${why}\n\nMend: ${mend}`),
      '## Clauses of a probe',
      ...clauses.map(clauseText),
    ].join('\n\n') + '\n'
  )
}

function contractTables() {
  const table = (entries) =>
    [
      '| clause | what it says |',
      '| --- | --- |',
      ...Object.entries(entries).map(([name, { says }]) => `| \`${name}\` | ${says} |`),
    ].join('\n')
  const more = Object.fromEntries(
    Object.entries(SECTIONS.values.table).filter(([name]) => !(name in SECTIONS.properties.table)),
  )
  return [
    `### As a whole\n\n${table(WHOLE)}`,
    ...Object.entries(SECTIONS).map(
      ([name, { says, table: entries }]) =>
        `### \`${name}\`\n\n${says}${name === 'values' ? ' It has the clauses of a property, and these:' : ''}\n\n${table(name === 'values' ? more : entries)}`,
    ),
  ]
}

function ruleText({ id, level, title, why, mend, leaking, mended }) {
  const code = (text) => '```js\n' + text.trim() + '\n```'
  return `### \`${id}\` (${level})\n\n**${title}.** ${why}\n\nMend: ${mend}\n\nThis leaks:\n\n${code(leaking)}\n\nThis is mended:\n\n${code(mended)}`
}

function clauseText({ id, promise, why, tried, unprovenWhen }) {
  return `### \`${id}\`\n\n**${promise}**\n\n${why}\n\nHow it is tried: ${tried}\n\nUnproven: ${unprovenWhen}`
}
