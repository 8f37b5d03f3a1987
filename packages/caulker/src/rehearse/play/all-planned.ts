import type { Machine, PlannedStep } from '../../machine/index.js'

/** Every step that a machine can carry out, those after an answer too. */
export function allPlanned(machine: Machine): PlannedStep[] {
  const lists = [
    ...machine.screens.flatMap(({ actions, commands, enters, hears }) => [
      ...Object.values(actions),
      ...Object.values(commands),
      enters,
      ...hears.values(),
    ]),
    ...machine.fittings.flatMap(({ hears }) => [...hears.values()].map(({ steps }) => steps)),
    ...machine.sites.flatMap(({ then, fails }) => [then, fails]),
  ]
  return lists.flat()
}
