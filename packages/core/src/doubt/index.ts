export { assumedSpread, drawsOf, usualDraws, type Draw } from './draws.js'
export { asGoodShare, placeDoubt, type PlaceDoubt } from './place-doubt.js'
export { drawnHandCosts } from './drawn-hand-cost.js'
