import type { QueryClient } from '@tanstack/vue-query'
import { forgetAhead } from '@/api/ahead'

/** The last reading of each client that was begun. */
const begun = new WeakMap<QueryClient, Promise<void>>()

/**
 * Reads again whatever was read of a garden, or of everything, after something was written. An answer that is still on its way may tell of
 * the time before: it is let go, also where nothing was there to show yet. Who waits for it has the newest answers then, also where another
 * reading let go of this one's.
 */
export async function readAnew(client: QueryClient, queryKey?: readonly unknown[]) {
  let last = read(client, queryKey)
  begun.set(client, last)
  for (;;) {
    await last
    const newer = begun.get(client)
    if (!newer || newer === last) return
    last = newer
  }
}

async function read(client: QueryClient, queryKey?: readonly unknown[]) {
  forgetAhead()
  await client.cancelQueries({ queryKey })
  await client.invalidateQueries({ queryKey })
}
