import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { reachService } from './reach-service.js'

expose(reachService)
tellAlive()
