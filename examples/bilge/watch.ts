import { clear, oneWay, reckon, screen, set, twoWay, Type } from 'caulker'
import { mountScreen, nativeButton } from 'caulker/dom'
import { inspector } from 'caulker/inspector'
import '../haul-out/yard.css'
import '../haul-out/elements/bale-stepper.js'
import '../haul-out/elements/price-tag.js'
import '../haul-out/elements/yard-text.js'
import { lateStepper, stalePrice, twiceText } from './contracts/leaks.contract.js'
import './elements/prices.js'
import './elements/steppers.js'
import './elements/texts.js'
// @ts-expect-error: a screen in plain JavaScript, where no compiler looks on
import { leakingOrder } from './work-order.screen.js'

/** Nothing is wrong with this wiring: what leaks is in the components. */
const shed = screen('shed', {
  cells: { vessel: { type: Type.String(), initial: 'Bittern' }, bales: { type: Type.Integer(), initial: 10 } },
  fittings: { twice: twiceText, late: lateStepper, price: stalePrice, other: nativeButton, again: nativeButton },
  reckoned: ({ cells }) => ({
    amount: reckon([cells.bales], (bales) => bales * 18.5),
    caption: reckon([cells.vessel], (vessel) => `Total for ${vessel}`),
  }),
  actions: ({ cells }) => ({
    other: [set(cells.vessel, 'Heron'), set(cells.bales, 4)],
    again: [clear(cells.vessel), clear(cells.bales)],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    twice: { label: 'Vessel (reports twice)', text: twoWay(cells.vessel) },
    late: { label: 'Bales (reports late)', bales: twoWay(cells.bales) },
    price: { amount: oneWay(reckoned.amount), caption: oneWay(reckoned.caption) },
    other: { text: 'Other vessel', on: { press: actions.other } },
    again: { text: 'Start again', on: { press: actions.again } },
  }),
})

const at = (selector: string) => document.querySelector(selector) as HTMLElement
const order = mountScreen(leakingOrder as never, at('#order'), { onFault: ({ place }) => console.warn(place) })
const leaking = mountScreen(shed, at('#shed'))
const looks = [inspector(order, at('#order-sides')), inspector(leaking, at('#shed-sides'))]

// What a component does and no owner hears of is seen all the same.
document.addEventListener('focusout', () => looks.forEach((look) => look.draw()))
document.addEventListener('click', () => looks.forEach((look) => look.draw()))

const heard: string[] = []
for (const event of ['text-set', 'bales-set'])
  at('#shed').addEventListener(
    event,
    (happened) => {
      heard.unshift(`${event} ${String((happened as CustomEvent<{ value: unknown }>).detail.value)}`)
      at('#heard').textContent = heard.slice(0, 6).join(', ')
    },
    true,
  )
