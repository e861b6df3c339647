const port = Number(process.env.E2E_PORT ?? 5380)

/** Workers run beside each other, each on servers of its own. */
export const workers = 2

/** Addresses of a worker's servers: the app with the demo garden, the app with no garden and no weather, the stand-in weather service. */
export function serversOf(worker: number) {
  const [demoUrl, emptyUrl, weatherUrl] = [0, 1, 2].map((i) => `http://127.0.0.1:${port + 10 * worker + i}`)
  return { demoUrl, emptyUrl, weatherUrl } as Record<'demoUrl' | 'emptyUrl' | 'weatherUrl', string>
}

/** Port that answers once every server does. */
export const readyPort = port + 45

/** Port of the app on the home network, which its own test starts. */
export const homePort = port + 40

export const { demoUrl, emptyUrl, weatherUrl } = serversOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0))
