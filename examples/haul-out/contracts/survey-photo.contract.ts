import { contract, host, Type } from 'caulker'

/** What every photo picker of the yard promises, under the tag of the one that keeps it. */
export const surveyPhotoPromise = <const T extends `${string}-${string}`>(tag: T) =>
  contract(tag, {
    summary: 'One photo from the hull survey',
    properties: { label: { type: Type.String(), default: 'Survey photo' } },
    values: { photo: { type: Type.Union([host('File'), Type.Null()]), default: null, reports: 'commit' } },
    commands: { reset: { effect: 'reset' } },
  })

export const surveyPhoto = surveyPhotoPromise('survey-photo')
