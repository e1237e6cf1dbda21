// The least a command-line program with yargs costs.
import yargs from "yargs";

await yargs(["--version"]).version("1").parseAsync();
