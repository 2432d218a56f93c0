import vm from 'node:vm'
import { TestEnvironment } from 'jest-environment-node'

/**
 * Jest's sandbox for Node, over a plain global object. Its own asks a proxy for every global that is read or written: code that
 * touches each pixel asks for Math at each, and Dexie puts a Promise of its own in place and takes it away at every step.
 */
export default class extends TestEnvironment {
  constructor(config, context) {
    const { createContext } = vm
    vm.createContext = () => createContext(vm.constants.DONT_CONTEXTIFY)
    try {
      super(config, context)
    } finally {
      vm.createContext = createContext
    }
  }
}
