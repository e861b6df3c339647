import { QueryClient, QueryObserver } from '@tanstack/vue-query'
import { expect, test, vi } from 'vitest'
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
  await vi.waitFor(() => expect(answers).toHaveLength(2))
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
  await vi.waitFor(() => expect(observer.getCurrentResult().data).toBe(1))
  expect(answers).toHaveLength(1)
  observer.destroy()
})
