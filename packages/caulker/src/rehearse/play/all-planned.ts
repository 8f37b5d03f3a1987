import type { Machine, PlannedStep } from '../../machine/index.js'

/** Every step that a machine can carry out, those after an answer too; or those of one of its screens. */
export function allPlanned(machine: Machine, screen?: number): PlannedStep[] {
  const isMeant = (at: number) => screen === undefined || at === screen
  const lists = [
    ...machine.screens
      .filter((_, at) => isMeant(at))
      .flatMap(({ actions, commands, enters, hears }) => [
        ...Object.values(actions),
        ...Object.values(commands),
        enters,
        ...hears.values(),
      ]),
    ...machine.fittings
      .filter((one) => isMeant(one.screen))
      .flatMap(({ hears }) => [...hears.values()].map(({ steps }) => steps)),
    ...machine.sites.filter((one) => isMeant(one.screen)).flatMap(({ then, fails }) => [then, fails]),
  ]
  return lists.flat()
}
