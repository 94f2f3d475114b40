export interface CliHost {
  readonly root: string;
  openCluster(data: string): Promise<{ url: string; release(): Promise<void> }>;
}
export async function runVerb(verb: string, args: string[], host: CliHost): Promise<number> {
  void args; void host;
  process.stderr.write(`yohaku: there is no verb “${verb}”. Try --help.\n`);
  return 2;
}
