import { QueryClient, QueryObserver } from '@tanstack/vue-query'
import { expect, test, vi } from 'vitest'
import { askAhead, takeAhead } from '@/api/ahead'
import { readAnew } from '@/garden/readAnew'

/** A reader of the garden whose questions are answered by hand. */
function reader(client: QueryClient) {
  const answers: ((count: number) => void)[] = []
  const observer = new QueryObserver(client, {
    queryKey: ['garden', 'one', 'decide'],
    queryFn: () => new Promise<number>((answered) => answers.push(answered)),
  })
  const shown: (number | undefined)[] = []
  observer.subscribe((result) => shown.push(result.data))
  return { answers, observer, shown }
}

test('a first answer that is on its way when something is written is not shown', async () => {
  const client = new QueryClient()
  const { answers, observer, shown } = reader(client)
  const read = readAnew(client, ['garden', 'one'])
  await expect.poll(() => answers).toHaveLength(2)
  answers[0]?.(1)
  answers[1]?.(2)
  await read
  expect(observer.getCurrentResult().data).toBe(2)
  expect(shown).not.toContain(1)
  observer.destroy()
})

test('what is read of another garden stays', async () => {
  const client = new QueryClient()
  const { answers, observer } = reader(client)
  await readAnew(client, ['garden', 'two'])
  answers[0]?.(1)
  await expect.poll(() => observer.getCurrentResult().data).toBe(1)
  expect(answers).toHaveLength(1)
  observer.destroy()
})

test('who waits has the newest answer, also where another reading let go of the first', async () => {
  const client = new QueryClient()
  const { answers, observer } = reader(client)
  let first = false
  const one = readAnew(client, ['garden', 'one']).then(() => (first = true))
  await expect.poll(() => answers).toHaveLength(2)
  const two = readAnew(client)
  await expect.poll(() => answers).toHaveLength(3)
  await Promise.resolve()
  expect(first).toBe(false)
  answers[2]?.(3)
  await Promise.all([one, two])
  expect(observer.getCurrentResult().data).toBe(3)
  observer.destroy()
})

test('what was asked for before the app was there is not taken for news', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(Response.json({ gardens: [] }))),
  )
  await askAhead({ pathname: '/', search: '' })
  await readAnew(new QueryClient(), ['garden', 'one'])
  expect(takeAhead(new Request(`${window.location.origin}/api/home`))).toBeUndefined()
  vi.unstubAllGlobals()
})
