import { baleStepperPromise } from '../../haul-out/contracts/bale-stepper.contract.js'
import { priceTagPromise } from '../../haul-out/contracts/price-tag.contract.js'
import { surveyPhotoPromise } from '../../haul-out/contracts/survey-photo.contract.js'
import { yardTextPromise } from '../../haul-out/contracts/yard-text.contract.js'

// The same promises as in the sound yard; each of these components breaks one of them.
export const blankPrice = priceTagPromise('blank-price')
export const stalePrice = priceTagPromise('stale-price')
export const stuckPhoto = surveyPhotoPromise('stuck-photo')
export const zeroStepper = baleStepperPromise('zero-stepper')
export const looseStepper = baleStepperPromise('loose-stepper')
export const lateStepper = baleStepperPromise('late-stepper')
export const echoText = yardTextPromise('echo-text')
export const twiceText = yardTextPromise('twice-text')
export const halfResetText = yardTextPromise('half-reset-text')
