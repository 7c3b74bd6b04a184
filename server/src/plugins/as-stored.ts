/**
 * For routes that hand out entries: they were held against their schema when they came in, and go out as they are. Held
 * against it once more, one bad row would keep all the others from being read.
 */
export const asStored = { serializerCompiler: () => JSON.stringify } as const;
