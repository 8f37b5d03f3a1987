import { sentence } from '../words/index.js'
import { everyRule } from '../page/index.js'
import type { CheckReport, LocatedFinding } from './text/model.js'

/** A check as a SARIF 2.1.0 log (OASIS, section 3.13): rule ids that stay, locations in the user's files, the mend as the second sentence. */
export function checkSarif(report: CheckReport, version: string): string {
  const used = everyRule.filter((rule) => report.findings.some((finding) => finding.rule === rule.id))
  const log = {
    $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'caulker',
            version,
            rules: used.map(({ id, level, title, why, mend }) => ({
              id,
              shortDescription: { text: `${title}.` },
              fullDescription: { text: why },
              help: { text: mend },
              defaultConfiguration: { level },
            })),
          },
        },
        columnKind: 'utf16CodeUnits',
        results: report.findings.map((finding) =>
          resultOf(
            finding,
            used.findIndex((rule) => rule.id === finding.rule),
          ),
        ),
        invocations: [
          {
            executionSuccessful: report.troubles.length === 0,
            toolExecutionNotifications: report.troubles.map(({ file, line, column, says }) => ({
              level: 'error',
              message: { text: says },
              locations: [locationOf(file, line, column)],
            })),
          },
        ],
      },
    ],
  }
  return `${JSON.stringify(log, null, 2)}\n`
}

function resultOf({ rule, level, subject, says, mend, file, line, column }: LocatedFinding, ruleIndex: number): object {
  return {
    ruleId: rule,
    ruleIndex,
    level,
    message: { text: `${sentence(says)}. ${mend}` },
    ...(file === undefined
      ? {}
      : { locations: [{ ...locationOf(file, line, column), logicalLocations: [{ fullyQualifiedName: subject }] }] }),
    partialFingerprints: { 'caulkerSubject/v1': `${rule} ${subject}` },
  }
}

function locationOf(file: string, line: number | undefined, column: number | undefined): object {
  const region = line === undefined ? {} : { region: { startLine: line, startColumn: column ?? 1 } }
  return { physicalLocation: { artifactLocation: { uri: encodeURI(file.replace(/\\/g, '/')) }, ...region } }
}
