import { expose } from 'comlink'
import { reachService } from './reach-service.js'

expose(reachService)
