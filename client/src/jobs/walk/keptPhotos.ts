import { createStore, del, get, set } from 'idb-keyval'

const database = createStore('mauvaise-photos', 'photos')

/** The kinds that the server can read. */
export const photoTypes = 'image/jpeg,image/png,image/webp'

/** Pictures that were taken for a look that is not saved yet, kept on this device. */
export const keptPhotos = {
  async keep(file: Blob): Promise<string> {
    const id = crypto.randomUUID()
    await set(id, file, database)
    return id
  },
  get: (id: string) => get<Blob>(id, database),
  drop: (id: string) => del(id, database),
}
