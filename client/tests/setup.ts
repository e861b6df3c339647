import { indexedDB } from 'fake-indexeddb'
import { speak } from '@/language'

// Specs that ask for no page, with "@vitest-environment node" in their first line, have none made for them.
if ('document' in globalThis) await speak('en')

// What waits to be sent is kept in the browser's own database, which is made up here.
globalThis.indexedDB = indexedDB
