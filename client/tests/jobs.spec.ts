import { expect, test } from 'vitest'
import { router } from '@/router'
import { dailyJobs, jobAmong, otherJobs, thumbJobs, topJobs } from '@/shell/jobs'

test.each([
  ['/', 'board'],
  ['/walk/sheet', 'walk'],
  ['/suspects/1', 'walk'],
  ['/bench/card', 'bench'],
  ['/spray/1', 'bench'],
  ['/check-backs/1', 'check-backs'],
  ['/ledger/sprays/1', 'ledger'],
  ['/learned', 'ledger'],
  ['/garden/household', 'more'],
  ['/places/1/story', 'more'],
  ['/trials/new', 'more'],
])('%s is part of %s', (path, job) => {
  expect(jobAmong(topJobs, path)).toBe(job)
})

test('on a phone what is not under the thumb is under More', () => {
  expect(jobAmong(thumbJobs, '/bench/card')).toBe('bench')
  expect(jobAmong(thumbJobs, '/check-backs')).toBe('more')
})

test('every job has its screen', () => {
  const names = router.getRoutes().map((r) => r.name)
  for (const job of [...dailyJobs, ...otherJobs, ...thumbJobs]) expect(names).toContain(job.name)
})
