/** In tests of components sheets of styles are nothing. */
export {};
