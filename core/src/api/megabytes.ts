/** A number of bytes as people say it. */
export const megabytes = (bytes: number): string => `${Math.floor(bytes / 1024 / 1024)} MB`;
