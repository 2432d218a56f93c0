export { type Behind, type PlaceReading, readPlace } from './read'
