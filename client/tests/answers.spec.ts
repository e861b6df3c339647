import { Ajv2020 } from 'ajv/dist/2020'
import { expect, it } from 'vitest'
import openapi from '../../openapi/openapi.json'
import { answers, answersOfEmpty } from './recorded'

/** What a GET of an address is promised to answer, as a pointer into the document. */
function promised(address: string): string {
  const path = (address.split('?')[0] ?? '').split('/')
  const found = Object.keys(openapi.paths)
    .filter((template) => 'get' in (openapi.paths[template as keyof typeof openapi.paths] as object))
    .map((template) => ({ template, parts: template.split('/') }))
    .filter(
      ({ parts }) =>
        parts.length === path.length && parts.every((p, i) => p.startsWith('{') || p === path[i]),
    )
    // "/batches/left" is not a batch: the address with fewer holes is meant.
    .sort((a, b) => a.template.split('{').length - b.template.split('{').length)[0]
  const pointer = (found?.template ?? address).replaceAll('~', '~0').replaceAll('/', '~1')
  return `app#/paths/${encodeURIComponent(pointer)}/get/responses/200/content/application~1json/schema`
}

const judge = new Ajv2020({ strict: false, validateFormats: false, allErrors: true })
judge.addSchema(openapi, 'app')

it.each([...Object.entries(answers), ...Object.entries(answersOfEmpty)])(
  '%s is still answered like that',
  (address, kept) => {
    const holds = judge.compile({ $ref: promised(address) })
    expect(holds(kept) ? [] : judge.errorsText(holds.errors)).toEqual([])
  },
)

it('lists words alone where one of several words is meant', () => {
  const lists = Object.entries(openapi.components.schemas).filter(([, schema]) => 'enum' in schema)
  expect(lists.length).toBeGreaterThan(40)
  for (const [name, schema] of lists)
    for (const word of (schema as { enum: unknown[] }).enum)
      expect([name, typeof word]).toEqual([name, 'string'])
})
