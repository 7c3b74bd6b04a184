import swc from '@swc/jest';

// Inside Jest every module runs in a context whose globals are looked up through an interceptor, which makes
// arithmetic many times slower. Names bound in the module itself are found at once.
const BOUND = 'const { Math, Number } = globalThis;';

/** @typedef {ReturnType<typeof swc.createTransformer>} Transformer */

export default {
  /**
   * @param {Parameters<typeof swc.createTransformer>[0]} options
   * @returns {Transformer}
   */
  createTransformer(options) {
    const inner = swc.createTransformer(options);
    const { process, processAsync, getCacheKey } = inner;
    if (!process || !processAsync || !getCacheKey) throw new Error('the transformer lacks a part');
    return {
      process(source, path, how) {
        const { code, ...rest } = process.call(inner, source, path, how);
        return { ...rest, code: BOUND + code };
      },
      async processAsync(source, path, how) {
        const { code, ...rest } = await processAsync.call(inner, source, path, how);
        return { ...rest, code: BOUND + code };
      },
      getCacheKey: (source, path, how) => getCacheKey.call(inner, BOUND + source, path, how),
    };
  },
};
