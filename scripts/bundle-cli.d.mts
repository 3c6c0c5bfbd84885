/** Types of the bundler of the command line, which is plain JavaScript because it runs before anything is translated. */
export function ensureCli(): Promise<string>;
