import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { standingService } from './standing-service.js'

expose(standingService)
tellAlive()
