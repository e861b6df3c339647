import { describe, expect, it, vi } from 'vitest'
import { noticeSignedOut, onSignedOut } from '@/api/client'
import { deviceName } from '@/jobs/home/useEntry'
import { needed } from '@/outbox/useReady'

describe('a device in the household', () => {
  it.each([
    ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X)', 'iPhone'],
    ['Mozilla/5.0 (Linux; Android 15; Pixel)', 'Android phone'],
    ['Mozilla/5.0 (X11; Linux x86_64)', 'Linux computer'],
    ['Mozilla/5.0 (Macintosh; Intel Mac OS X 15_0)', 'Mac'],
    ['', 'a device'],
  ])('is called by what its browser says: %s', (agent, name) => expect(deviceName(agent)).toBe(name))

  it('is told once it is signed out, and of nothing else', () => {
    const told = vi.fn()
    onSignedOut(told)
    for (const status of [200, 403, 404, 500]) noticeSignedOut(status)
    expect(told).not.toHaveBeenCalled()
    noticeSignedOut(401)
    expect(told).toHaveBeenCalledOnce()
  })
})

describe('what an evening without a network needs', () => {
  const addresses = needed('g')
  it('holds the round, tonight, mixes and check-backs', () => {
    for (const what of ['round', 'board', 'plan', 'decide', 'check-backs', 'batches/left'])
      expect(addresses).toContain(`/api/gardens/g/${what}`)
  })
  it('fetches what may be seen once, whatever grows', () => {
    expect(addresses.filter((a) => a.includes('signs'))).toEqual([
      '/api/catalogue/signs',
      '/api/catalogue/crop-signs',
    ])
  })
})
