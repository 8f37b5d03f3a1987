import { accepts, isEmpty, limitsOf, outsideText, printed, typeText, type TSchema } from '../../contract/index.js'
import { isAsked, slotsGiven, type ScreenPlan } from '../../machine/index.js'
import { visibleLinks } from '../play/sight.js'
import { cellName, invariant, sentAt, sentIn } from './invariant.js'

/** What is sent is complete and valid: nothing that is needed is missing, nothing is outside of its bounds or of another type. */
export const sentIsWhole = invariant({
  id: 'sent-is-whole',
  title: 'What is sent is complete and valid',
  why: 'What a field asks for is asked for a reason; a call that goes round the checks sends it all the same.',
  mend: 'Send it with submit, which holds back what is missing or out of bounds; say needs for what has no field of its own.',
  watches: 'sends',
  *judge(passage) {
    const { plan, middle, after } = passage
    const { machine } = plan
    for (const { call, site, name } of sentIn(passage)) {
      const slots = slotsGiven(site.given).map(([, slot]) => slot)
      const at = sentAt(machine, site)
      if (site.operation.takes !== undefined && !accepts(site.operation.takes, call.given))
        yield {
          subject: `${name} (type)`,
          says: `${name} is sent ${offTypeText(site.operation.takes, call.given)}`,
          mend: 'Say needs for it, so that it is held back while it is empty; or let the operation take all that the cell may hold.',
          cells: slots.filter((slot) => slot < machine.cells.length),
          ...at,
        }
      const screen = machine.screens[site.screen] as ScreenPlan
      const isEmptyNow = (cell: number) => isEmpty(middle.slots[cell]) && isEmpty(after.slots[cell])
      for (const [cell, text] of screen.submit?.needs ?? [])
        if (slots.includes(cell) && isEmptyNow(cell) && isAsked({ machine, slots: after.slots }, screen, cell))
          yield {
            subject: `${name} ${cellName(machine, cell)}`,
            says: `${name} is sent without ${cellName(machine, cell)}, which is needed: “${text}”`,
            cells: [cell],
            ...at,
          }
      for (const { key, link } of visibleLinks(plan, after)) {
        const kept = after.parts.get(key)
        if (kept === undefined || !slots.includes(link.cell)) continue
        const { component } = kept.part
        const { fitting, value } = link
        const cells = [link.cell]
        if (fitting.contract.form?.value === value.name && component.isMissing(kept.state))
          yield {
            subject: `${name} ${fitting.name}`,
            says: `${name} is sent although ${fitting.name} has to be filled in and is empty`,
            cells,
            fittings: [fitting.name],
            ...at,
          }
        const outside = outsideText(
          component.standing(kept.state, value.name),
          limitsOf(value, (of) => component.standing(kept.state, of)),
        )
        if (outside !== undefined)
          yield {
            subject: `${name} ${fitting.name}.${value.name}`,
            says: `${name} is sent although in ${fitting.name} ${outside}`,
            cells,
            fittings: [fitting.name],
            ...at,
          }
      }
    }
  },
})

/** The first member that is not as it is taken; all of it, where it has no members. */
function offTypeText(takes: TSchema, given: unknown): string {
  const { properties = {} } = takes as { properties?: Readonly<Record<string, TSchema>> }
  const members = (given ?? {}) as Readonly<Record<string, unknown>>
  const wrong = Object.entries(properties).find(([name, type]) => !accepts(type, members[name]))
  if (wrong === undefined) return `${printed(given, 80)}, and takes ${typeText(takes)}`
  const [name, type] = wrong
  return `${name in members ? printed(members[name], 60) : 'nothing'} for ${name}, and takes ${typeText(type)}`
}
