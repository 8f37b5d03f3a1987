import { messageOf } from 'caulker/inside/words'
import type { NamedGesture } from 'caulker/inside/probe'
import type { TroubleReport } from 'caulker/inside/report'
import { setupFor } from '../node/config.js'
import type { Trouble } from '../node/errors.js'
import { loadProject } from '../node/project.js'
import { troubleReport } from '../node/trouble-report.js'
import { task } from './task.js'

/** A component that is to be probed: where its contract is, and what defines it. */
export interface PlannedComponent {
  readonly tag: string
  readonly file: string
  readonly defines: readonly string[]
  readonly gestures: readonly NamedGesture[]
}

export interface ProbePlan {
  readonly components: readonly PlannedComponent[]
  readonly troubles: readonly TroubleReport[]
}

/** Which components there are to probe at some paths, without mounting any. */
export const probePlan = task(
  async (
    {
      paths,
      components: only,
    }: { readonly paths: readonly string[]; readonly components: readonly string[] | undefined },
    around,
  ): Promise<ProbePlan> => {
    const project = await loadProject(paths, around)
    const troubles: Trouble[] = [...project.troubles]
    const components: PlannedComponent[] = []
    for (const { contract, file } of project.contractFiles) {
      const { tag } = contract
      if (only !== undefined && !only.includes(tag)) continue
      try {
        const { defines, gestures } = await setupFor(tag, file, project.load)
        if (defines.length === 0)
          throw new Error(
            `no module is known that defines <${tag}>; name it in caulker.config.ts: export default { defines: ['elements/*.ts'] }`,
          )
        components.push({ file, tag, defines, gestures })
      } catch (thrown) {
        const says = messageOf(thrown)
        // One wrong configuration is one trouble, however many components it is read for.
        if (!troubles.some((one) => one.says === says)) troubles.push({ file, place: undefined, says })
      }
    }
    return { components, troubles: troubles.map(troubleReport) }
  },
)
