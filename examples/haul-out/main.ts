import { printed } from 'caulker'
import { mountScreen } from 'caulker/dom'
import './elements/bale-stepper.js'
import './elements/price-tag.js'
import './elements/survey-photo.js'
import './elements/yard-text.js'
import { workOrder } from './work-order.screen.js'

const order = document.querySelector('#order') as HTMLElement
const sides = document.querySelector('#sides') as HTMLElement
const mounted = mountScreen(workOrder, order, { onSettled: () => drawSides() })

const pairs = [
  ['vessel', 'vessel', 'text'],
  ['bales', 'bales', 'bales'],
  ['photo', 'photo', 'photo'],
  ['note', 'note', 'value'],
  ['total', 'total', 'amount'],
] as const

/** Owner and component side by side, so that a drift would be seen. */
function drawSides(): void {
  sides.replaceChildren(
    ...pairs.map(([cell, fitting, name]) => {
      const row = document.createElement('tr')
      const texts = [
        cell,
        printed(mounted.read(cell as 'bales'), 32),
        printed(mounted.component(fitting).read(name), 32),
      ]
      row.append(
        ...texts.map((text, at) =>
          Object.assign(document.createElement(at === 0 ? 'th' : 'td'), { textContent: text }),
        ),
      )
      return row
    }),
  )
}

drawSides()
