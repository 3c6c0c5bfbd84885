/** What `wick --help` says. */
export const HELP = `wick price DESIGN … --books PATH [--months 36] [--traffic 100] [--explain all|LINE] [--out FILE]
    prices design files: every line, list, resale, contingency and tax, upfront, the first 12 months; with --explain
    also how a line (or all of them) adds up; with --traffic a month with so many times the traffic
wick check DESIGN … --books PATH
    what a design is warned of: lines without an amount, and the checklist
wick diff DESIGN DESIGN --books PATH
    two designs line by line
wick compare DESIGN --books PATH [--alternatives NAME,NAME] [--by section|category|kind] [--out FILE]
    a design beside its alternatives, line by line: what each costs, what lines become there, what it lacks
wick compare DESIGN --books PATH --axis regions|providers|sizes|paying|forms [--line LINE | --section SECTION] [--out FILE]
    a whole axis, priced at once and ranked against what is chosen
wick rates [DESIGN] --books PATH [--data 1000] [--requests 1000000] [--within Europe] [--without-free] [--out FILE]
    what one thing costs in the cheapest region of each provider; with a design in its currency and at its own height
wick pay DESIGN --books PATH [--line LINE] [--leave 18]
    the ways of paying for each line that has several; with --leave what ending after so many months costs
wick pay DESIGN --books PATH --commit 36-none | --every-hour SKU [--term 12-none] [--level 0.5] | --prepaid SKU
    what to commit to: by line, for every hour of the week, or prepaid; what costs least lean, likely and heavy;
    --every-hour SKU --with-lines 36-none: both kinds together; --every-hour SKU --months 36: at once or in steps
wick load DESIGN --books PATH [--along traffic|DRIVER|"entry LINE ENTRY"] [--from 1] [--to 1000] [--line LINE | --section SECTION]
    the month over what varies, beside the design's alternatives: where the cheapest changes, what happens on the way
wick range DESIGN --books PATH [--draws 10000] [--seed harbour]
    how sure the month is: P10 to P90 by line, what explains the spread, one input at a time
wick fleet FILE … --books PATH --at BOOK/REGION [--rule installed|peak|usual|target] [--headroom 20] [--target 60] [--column "HEADING=vcpu"] [--without-off]
    what the machines of an inventory (CSV or XLSX, several files joined) would become there, as installed and as really
    used, and what that costs
wick fleet FILE … --books PATH --plan PLAN.json [--column "HEADING=vcpu"]
    its groups under its placements, side by side, with the best mix; the plan as a fleet has it (docs/formats/fleet.md)
wick own-or-rent STUDY [--table sides|years|variants|hangs-on|move|assumptions] [--draws 10000] [--seed harbour] [--out FILE]
    owning against renting: the answer with its range, where it turns, and one of its tables (docs/formats/study.md)
wick review PLAN --books PATH [--against OLD] [--load FILE] [--map FILE] [--limits FILE] [--design FILE] [--what-if term=36-none|case=heavy|region=BOOK/REGION|load=FILE|books=PATH] [--all] [--all-priced] [--draft-map FILE] [--draft-load FILE] [--out FILE]
    what an infrastructure plan (JSON; or a folder of configuration, roughly) changes of the month, resource by resource; two plans or states against one another
    with --against; --all-priced asks for no doubt; --draft-map and
    --draft-load write what a person has to finish: rules for unknown types, use that no plan knows; --design names the
    design whose budget a limit asks about; --format junit|sarif for a pipeline (docs/formats/review.md)
wick report DESIGN --books PATH --as xlsx|pdf|md|json --out FILE [--variant quotation --until 2026-12-31] [--agreements] [--by-month] [--beside alternatives,regions]
    writes the design's report, with its alternatives or every region, provider or way of paying beside it if asked
wick books check FILE …
    checks price-book files of any size
wick books diff BEFORE AFTER
    compares two files; or --book KEY --from 1 --to 2 in the database
wick books search [WORDS …] [--kind server] [--region CODE] [--book KEY] [--family NAME] [--vcpu 4] [--memory 16]
    [--gpu 1] [--capability sleeps] [--price-from 10] [--price-to 200] [--limit 50] [--books PATH]
    finds offers in the books of files, or of the database
wick books import FILE
wick books from-bill FILE|FOLDER … [--books FILE] [--from DAY] [--as list|contracted|price-list] [--out FILE]
wick books from-list FILE --map FILE [--out FILE]
    publishes a price book in the database of DATABASE_URL
wick bills import FILE|FOLDER …
    takes bills in FOCUS form (CSV, gzip, Parquet) into the database of DATABASE_URL; a period that is there is replaced
wick bills show|variance|project FILE … [--design DESIGN --books PATH] [--rules FILE] [--from 2026-11-01] [--out FILE]
    a bill against a design, what made the difference, where the period closes; the newest period, or the one --from names
wick bills draft FILE … --design DESIGN --books PATH [--rules FILE] [--out FILE]
    rules for what none takes yet
wick bills expect DESIGN --books PATH --from 2026-11-01 --to 2026-12-01 [--out FILE]
    what a design lets expect of a period, as a bill in FOCUS form
wick demo-files FOLDER
    writes the demo's price books and designs as files

DESIGN, STUDY and FILE may be “-” for standard input, --out “-” for standard output. PATH is a file or a folder; --books may
be given several times. LINE is a component's name or id. Price books: *.json or flat *.csv, packed with gzip or not.

--format text|json|csv|markdown   how it is printed (text unless said; --json is short for --format json)

exit codes: 0 done · 2 a file is faulty · 3 priced, but not everything could be priced · 4 not found
            6 exists already · 7 the database does not answer · 8 over the design's budget, or a limit of a review is broken · 64 wrong call
`;
