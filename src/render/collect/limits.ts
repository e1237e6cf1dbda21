/** How much memory what runs apart may take, in megabytes. */
export const MOST_MEMORY = 1024;

/** How much of its time is for pressing keys: the rest is for the window to open and for the last key to end. */
export const FOR_KEYS = 0.7;
