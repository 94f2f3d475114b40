/** A value that is nothing but another custom property, whose name is caught. */
export const VAR = /^var\(\s*(--[^,)\s]+)\s*(?:,[\s\S]*)?\)$/;
