import { createContext } from 'react';

/** Whether somebody tried to store the form around: from then on a field that is needed says that it is empty. */
export const TriedContext = createContext(false);
