import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { usageService } from './usage-service.js'

expose(usageService)
tellAlive()
