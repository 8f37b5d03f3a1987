import { readFileSync } from 'node:fs'
import { dirname } from 'node:path'
import { shown } from '../node/shown.js'
import { createImportGraph } from '../node/imports.js'
import type { PlannedComponent } from '../tasks/probe-plan.js'
import { inThread } from '../tasks/thread.js'
import { watching } from './watch.js'

/** Probes once, and on each save what the change is about, until the process is interrupted. */
export async function watchProbe(
  paths: readonly string[],
  components: readonly string[] | undefined,
  probe: (components: readonly string[] | undefined) => Promise<void>,
): Promise<void> {
  const { components: planned } = await inThread('probePlan', { paths, components })
  const graph = createImportGraph()
  for (const file of new Set(planned.flatMap(modulesOf))) await graph.add(file)
  await probe(components)
  const folders = planned.flatMap(({ defines }) => defines.map(dirname))
  await watching([...new Set([...paths, ...folders])], async (changed) => {
    const again = graph.dependentsOf(changed)
    for (const file of new Set(planned.flatMap(modulesOf))) if (again.has(file)) await graph.add(file)
    const hit = planned.filter((component) => modulesOf(component).some((module) => again.has(module)))
    const what = hit.length === 0 ? 'no component that is known depends on it' : hit.map(({ tag }) => tag).join(', ')
    process.stdout.write(`\n${changed.map(shown).join(', ')} changed; probing again: ${what}\n`)
    if (hit.length > 0) await probe(hit.map(({ tag }) => tag))
  })
}

/** The contract, and the module that registers the tag; all of them, where none or several say that they do. */
function modulesOf({ tag, file, defines }: PlannedComponent): string[] {
  const own = defines.filter((module) => readFileSync(module, 'utf8').includes(`'${tag}'`))
  return [file, ...(own.length === 1 ? own : defines)]
}
