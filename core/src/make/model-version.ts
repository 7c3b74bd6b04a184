/** Names the equations and constants a stored forecast was made with. */
export const MODEL_VERSION = 'three-group-1';
