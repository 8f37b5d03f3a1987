import type { Mount, Mounted } from '../../mount/index.js'
import { fillContent, giveAll, placeBeside } from '../../dom/index.js'
import { hear } from './hearing.js'
import { OWNED } from './owner.js'
import type { Scene } from './scene.js'
import { attributesFor, FORM_NAME, reversed, undefinedElement } from './settings.js'
import { fillSlot } from './slots.js'
import type { Fill, Setting } from './trail.js'

/** Settings in which the component is mounted as usual, and something else is different. */
const PLAIN_SETTINGS: readonly Setting[] = ['answering', 'twin', 'vetoed', 'unheeded']

/** Mounts the component as the setting of the trail wants it. */
export function mountIt(scene: Scene): Mounted {
  const { contract, trail, options, place, owned, runner } = scene
  const { setting } = trail
  const hears: Parameters<Mount>[2] = ({ event, payload, values, veto }) => {
    if (setting === 'vetoed') veto?.()
    hear(scene, event, payload, values)
  }
  const given = owned.copy(runner.given(OWNED))
  if (setting === 'reversed') return options.mountInto(place)(reversed(contract), given, hears)
  if (trail.slotted === undefined && (setting === undefined || PLAIN_SETTINGS.includes(setting)))
    return options.mountInto(place)(contract, given, hears)
  const element = setting === 'early' ? undefinedElement(options.document, contract.tag) : new (elementClass(scene))()
  placeBeside(place, contract)
  fillContent(element, contract)
  const inAttributes = setting === 'attributes' ? attributesFor(contract, given) : {}
  if (setting === 'form') element.setAttribute('name', FORM_NAME)
  for (const one of trail.slotted ?? []) fill(scene, element, one)
  for (const [name, text] of Object.values(inAttributes)) element.setAttribute(name, text)
  const rest = Object.fromEntries(Object.entries(given).filter(([name]) => !Object.hasOwn(inAttributes, name)))
  if (setting === 'early') {
    giveAll(element, contract, rest)
    place.append(element)
    return mountOn(scene, element)(contract, {}, hears)
  }
  const made = mountOn(scene, element)(contract, rest, hears)
  place.append(element)
  return made
}

/** A second instance beside the first, which nobody hears. */
export function mountTwin(scene: Scene): void {
  const { contract, trail, options, container, owned, runner } = scene
  const beside = container.appendChild(options.document.createElement('div'))
  const given = owned.copy(trail.beside ?? runner.given(OWNED))
  scene.twin = { place: beside, mounted: options.mountInto(beside)(contract, given, () => undefined) }
}

export function fill({ fills }: Scene, element: HTMLElement | undefined, one: Fill): void {
  if (element !== undefined) fills.push(fillSlot(element, one))
}

function mountOn({ options }: Scene, element: Element): Mount {
  if (options.mountOn === undefined) throw new Error('it is no custom element')
  return options.mountOn(element)
}

function elementClass({ view, contract }: Scene): CustomElementConstructor {
  const found = view.customElements.get(contract.tag)
  if (found === undefined) throw new Error('it is no custom element')
  return found
}
