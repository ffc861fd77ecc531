## readings_csv

csv-line-wrong = Line { $line }: { $why }
    .fix = { $why-fix }
csv-time-out-of-reach =
    { $when ->
        [ahead] { $text } lies in the future.
       *[long-ago] { $text } lies before 1970.
    }
    .fix = Mend the year, or the clock of what wrote it.
csv-lacks-column = Line 1 lacks the column “{ $missing }”.
    .fix = The columns are: { $columns }.
csv-time-unreadable = “{ $text }” is no time.
    .fix = Write it like 2026-05-02T16:30:00Z, with its zone.
csv-unit-wrong = A { $what } is not in “{ $unit }”.
    .fix = Use { $out }.
not-csv = This is no CSV.
    .fix = Save it as comma-separated text.
csv-line-broken = Line { $line } is no CSV: { $error }.
    .fix = Mend its quotation marks.
csv-no-such-reading = There is no reading called “{ $what }”.
    .fix = Use one of: { $readings }.
csv-not-read-by-cook = “{ $source }” reads no { $what }.
    .fix = Write { $cook }, or a channel.
csv-no-number = “{ $text }” is no number.
    .fix = Write a number.
csv-no-such-channel = “{ $source }” sends no { $what }.
    .fix = Channels: { $channels }.
csv-beyond-instrument = A { $channel } never shows { $value } { $unit }.
    .fix = Mend it.
