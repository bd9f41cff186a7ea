/** The bench. */
export {};
