import { expose } from 'comlink'
import { database, historyOfSet, type SetHistory } from '~/db'

const api = {
  historyOf: (id: string, most: number): Promise<SetHistory> => historyOfSet(database(), id, most),
}
export type SetHistoryApi = typeof api

expose(api)
