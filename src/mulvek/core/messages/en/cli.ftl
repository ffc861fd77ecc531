## book

limit-of-lines = { $limit } lines are not told at once.
    .fix = Ask for 1 to 100.
no-such-year = There was no { $year } here.
    .fix = Give a year, as 2027.

## day

day-without-order-cli = No order was found in which all of it can be made.
    .fix = Begin earlier, or serve later.
json-file-unreadable = { $file } cannot be read.
    .fix = Name a JSON file, or - for standard input.
day-json-invalid = { $why }.
    .fix = See /openapi.json, DayIn.
not-json = That is no JSON.
    .fix = Write the day as an object.

## instruments

no-rehearsal-level = There is no such level.
    .fix = Choose 1, 2, 3 or 4.
speed-out-of-reach = It runs 1 to 60 times as fast as the clock.
    .fix = Give 1 to 60.
drop-outs-no-share = That is no share.
    .fix = Give 0 to 1.
no-channel = There is no “{ $channel }”.
    .fix = Use some of: { $channels }.
replay-file-unreadable = { $replay } cannot be read.
    .fix = Name a CSV file.

## keeping

no-kitchen-file-in = There is no { $file } in { $folder }.
    .fix = Name its folder with --data.
copy-onto-itself = That is the kitchen’s file itself.
    .fix = Give the copy another name.

## listen

address-unusable = Nothing can be served at { $host }:{ $port }.
    .fix = Give another --host or --port.
port-taken = Port { $port } is taken.
    .fix = Stop what is there, or try --port { $next }.

## mend

answer-unreadable = “{ $text }” is no answer.
    .fix = Write chhena-water=67 or seams=yes.

## no_larder

no-larder-for-milk = There is no Larder here to find milk { $milk_id } in.
    .fix = Give its name or label.
no-larder-for-pan = There is no Larder here to find pan { $pan_id } in.
    .fix = Give its measures.
no-larder-for-burner = There is no Larder here to find burner { $burner_id } in.
    .fix = Give its kind.
no-larder-for-ingredient = There is no Larder here to find number { $ingredient_id } in.
    .fix = Give its name.

## reckon

label-needs-both = A label needs both --fat and --snf.
    .fix = Give both, in g per 100 g.
reduce-option-invalid = { $why }.
    .fix = See mulvek reckon reduce --help.
more-than-brim = { $q } does not fit: it holds { VOLUME($brim) }.
    .fix = Ask for less.

## serve

folder-not-writable = Nothing can be written to { $folder }: { $why }.
    .fix = Let Mulvek write there, make room, or name another folder.
only-with-home = That is for the home network.
    .fix = Say --home too: devices are then let in one by one.
copies-kept-unreadable = “{ $text }” says not how many.
    .fix = Give days, weeks, months: 7,4,12.

## sweets

sweet-not-frozen = { CAP($a) } is not frozen.
    .fix = Ask for kulfi, or an own frozen sweet.
answer-names-no-line = Which line is answered?
    .fix = Write --answer 2=heaped for the second line.
change-unreadable = “{ $text }” is no change.
    .fix = Write finish.white-sugar=14.

## words

pan-unreadable = I cannot read the pan “{ $text }”.
    .fix = Give its { $pan_help }.
option-invalid = { $why }.
    .fix = See --help.
