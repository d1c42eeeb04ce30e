import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { tableService } from './table-service.js'

expose(tableService)
tellAlive()
