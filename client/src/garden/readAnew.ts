import type { QueryClient } from '@tanstack/vue-query'

/**
 * Reads again whatever was read of a garden, or of everything, after something was written. An answer that is still on its way may tell of
 * the time before: it is let go, also where nothing was there to show yet.
 */
export async function readAnew(client: QueryClient, queryKey?: readonly unknown[]) {
  await client.cancelQueries({ queryKey })
  await client.invalidateQueries({ queryKey })
}
