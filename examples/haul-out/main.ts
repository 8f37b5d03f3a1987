import { scriptToJson } from 'caulker'
import { mountJourney } from 'caulker/dom'
import { inspector, recorder, type Recorder } from 'caulker/inspector'
import './elements/bale-stepper.js'
import './elements/price-tag.js'
import './elements/survey-photo.js'
import './elements/yard-text.js'
import { standInOffice, type Switches } from './office/stand-in.js'
import { haulOut } from './screens/haul-out.journey.js'

const at = <T extends Element>(selector: string) => document.querySelector(selector) as T
const switches: Switches = { delay: 0, next: 'works' }
const [delay, next] = [at<HTMLSelectElement>('#delay'), at<HTMLSelectElement>('#next')]
delay.addEventListener('change', () => (switches.delay = Number(delay.value)))
next.addEventListener('change', () => (switches.next = next.value as Switches['next']))

const mounted = mountJourney(haulOut, at('#journey'), {
  sources: { office: standInOffice(switches) },
  store: { in: sessionStorage, as: 'haul-out', version: 1 },
  limits: { answer: 8000 },
})

inspector(mounted, at('#inspector'))
mounted.whenSettled(drawAround)
drawAround()

let recording: Recorder | undefined
at<HTMLButtonElement>('#record').addEventListener('click', ({ currentTarget }) => {
  const button = currentTarget as HTMLButtonElement
  recording?.stop()
  recording = recording === undefined ? recorder(mounted) : undefined
  button.setAttribute('aria-pressed', String(recording !== undefined))
  button.textContent = recording === undefined ? 'Write down what I do' : 'Stop writing'
  drawScript()
})
mounted.whenSettled(drawScript)

/** What was done so far, as a JSON file would hold it: `npx caulker rehearse --script FILE` plays it again. */
function drawScript(): void {
  if (recording === undefined) return
  const place = at<HTMLElement>('#script')
  place.hidden = false
  place.textContent = JSON.stringify(scriptToJson(recording.script('What I have done')), null, 1)
  place.scrollTop = place.scrollHeight
}

/** What stands around the journey: the steps, and the switch that has been used up. */
function drawAround(): void {
  for (const step of document.querySelectorAll('[data-step]'))
    if (step.getAttribute('data-step') === mounted.front()) step.setAttribute('aria-current', 'step')
    else step.removeAttribute('aria-current')
  next.value = switches.next
}
