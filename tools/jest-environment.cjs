// Jest puts its tests into a context whose every global is looked up through a proxy, which makes arithmetic (`Math`,
// `Number`) many times slower than it is anywhere else. Node can make a context whose globals are ordinary properties.
const vm = require('node:vm');
const { TestEnvironment } = require('jest-environment-node');

class PlainEnvironment extends TestEnvironment {
  constructor(...args) {
    const { createContext } = vm;
    vm.createContext = () => createContext(vm.constants.DONT_CONTEXTIFY);
    try {
      super(...args);
    } finally {
      vm.createContext = createContext;
    }
  }
}

module.exports = PlainEnvironment;
