export const MANUAL = `plumb-mark: checks of as-built PV, battery and meter installations

USAGE
  plumb-mark compute <calculator> < input.json    one result as JSON on standard output
  plumb-mark compute --batch < lines.jsonl        {"calculator","input"} a line in, one result line each out, in the same order
  plumb-mark compute --list [--json]              every calculator, what it answers and its input schema
  plumb-mark check <file> [--json]                judges an exported inspection and prints the verdicts, worst first
  plumb-mark verify <file> [--json] [--key FINGERPRINT]
                                                  of a JSON file or a ZIP: recomputes the hash chain, the seal, its signature and the sheet
                                                  fingerprints of a record, in a ZIP every photo and trace too; says
                                                  whose key signed, and with the key that the report prints whether it is that one
  plumb-mark export <job number> [--to FILE] [--data DIR]
                                                  everything of a job in one ZIP, also while people work
  plumb-mark import <file.zip> [--preview] [--record] [--accept NAME] [--data DIR]
                                                  opens or continues a job that an accepted installation signed; --preview says what
                                                  would change, --record keeps it beside the jobs to be read only, --accept takes
                                                  the word of its signer from now on, under a name; a fork is told and never merged
  plumb-mark backup <folder> [--with-key --passphrase-file FILE] [--data DIR]
                                                  a copy of everything, taken while people work, with the digest of every file;
                                                  the key of the seals stays out of it, or lies in it under a passphrase
  plumb-mark restore <backup> --data DIR [--passphrase-file FILE | --without-key]
                                                  puts it back, verified, into a folder where nothing is
  plumb-mark change-key [--data DIR]              a new key for seals; what the old one signed stays known as ours
  plumb-mark rebuild [--data DIR]                 has the rows that lists and searches read made anew
  plumb-mark practice [--seed N] [--level identify|roof|dc|ac|power-up|whole] [--difficulty easy|fair|hard]
                      [--inspector perfect|blind|random] [--base FILE] [--json]
                                                  hides faults in a made-up installation, has it inspected, and prints what was planted,
                                                  found, missed, invented and scored; --base takes an exported inspection that is all right
  plumb-mark read-manual <file.pdf> [--model NAME] [--json | --sheet] [--password TEXT]
                                                  what a maker's manual demands, each figure with its page and clause; --sheet makes a
                                                  draft of a sheet of it; the model also from MANUAL_MODEL. Pages that are pictures are
                                                  read too. Nothing of it is in force until a person has looked at it

UNITS
  Inputs are in canonical units: mm, mm², m (cable lengths), N·m, V, A, W, var, VA, Ω, MΩ, °C, W/m², s, kg, kN.

EXIT CODES
  0  done; with check: nothing is against the sheets and nothing is open; with verify: the record is intact
  1  practice: not passed; check: something does not conform, is not proven or was not inspected; verify: the record was changed
  2  input refused: {"error":{"code","message","path"}} on standard output; in a batch the line says so and the exit code stays 0
  3  the program itself could not run (a file that cannot be read, for example)

EXAMPLES
  echo '{"value":231,"uncertainty":1,"min":207,"max":253}' | plumb-mark compute decision
  plumb-mark check fallowmere.json
  plumb-mark verify fallowmere.json && echo intact

The tables in the calculators are representative. The local code, the authority and a licensed person decide.`
