import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { limitsService } from './limits-service.js'

expose(limitsService)
tellAlive()
