## day

ahead-weigh = { MASS($kg) } of { $name }
ahead-cloths = { COUNT($count) ->
    [one] a cloth
   *[other] { $count } cloths
 }
ahead-moulds = { $count } × { $name }, { VOLUME($m3) } each
ahead-trays = { COUNT($count) ->
    [one] a tray
   *[other] { $count } trays
 } of { NUMBER($long) } × { NUMBER($wide) } cm
ahead-freezer = { NUMBER($litres, minimumFractionDigits: 1, maximumFractionDigits: 1) } L in the freezer
act-at-its-place = { $act } On { $hob }, in { $pot }.
act-ready = Measure the milk; wet the pan first.
act-boil-up = Milk on { $hob }, in { $pot }: to the first boil, stirring.
act-simmer = Flame down: stir and scrape every { $every } minutes.
act-stop = Off the flame at its weight; weigh it.
act-stand = Off the flame: leave it alone for { $minutes } minutes.
act-acid = Acid in, a little at a time, until the whey is clear.
act-drain = Drain it through the cloth.
act-rinse = Rinse the curd with cold water.
act-hang-chhena = Hang it for { $minutes } minutes.
act-weigh = Weigh the chhena.
act-tie = Tie up the yoghurt; hang it in the fridge.
act-hang-curd = It hangs in the fridge.
act-weigh-curd = Take it down; weigh the hung curd.
act-last = Stay with it: stir without a pause, to its weight.
span-minutes = { COUNT($minutes) ->
    [one] { $minutes } minute
   *[other] { $minutes } minutes
 }
span-hours = { COUNT($hours) ->
    [one] { $hours } hour
   *[other] { $hours } hours
 }
span-hours-and-minutes = { $hours } h { $minutes }
late-sweet = { CAP($sweet) } would be { $span } late.
short-time = { CAP($sweet) } needs { $need } from its first step to serving, and there are { $have }.
short-hands = The work wants both hands for { $need }, and { $have } are free.
short-fire = The fires are wanted for { $need }, and the burners give { $have }.
waits-too-long = It waits { $span } longer than is good for: { LOWER($act) }
took-longer = { $span } longer
took-less = { $span } less
hour-at-table = the hour at table
slip-push = { CAP($sweet) } took { $took }: all of it was pushed.
slip-anew = { CAP($sweet) } took { $took }: the rest was worked out anew.
slip-through = { CAP($sweet) } took { $took }: { $hours } was given up.
cure-pan = One large pan more
cure-burner = One burner more
cure-helper = A helper for the last { $span }
cure-earlier = Begin { $span } earlier
cure-through = Cook on through “{ $hours }”
cure-later = Serve all of it { $span } later
cure-one-later = { CAP($sweet) } { $span } later
cure-without = Without the { $sweet }
-move-fix = Put it elsewhere, or unpin another step.
moved-hands = Nobody has hands for it then.
    .fix = { -move-fix }
moved-burner = Its burner is taken then, and what is on it cannot go elsewhere.
    .fix = { -move-fix }
moved-pan = Its pan is taken then, and what is in it cannot go elsewhere.
    .fix = { -move-fix }
moved-too = That is one pan more than is watched.
    .fix = { -move-fix }
moved-wait = What comes before it, or after it, cannot wait like that.
    .fix = { -move-fix }
moved-outside = That is before the day begins, or after it ends.
    .fix = { -move-fix }
moved-late = It would not be ready in time.
    .fix = { -move-fix }
moved-stale = It would not be fresh any more when it is eaten.
    .fix = { -move-fix }
moved-fridge = The fridge is full then.
    .fix = { -move-fix }
moved-freezer = The freezer is full then.
    .fix = { -move-fix }
moved-nowhere = Nothing else finds its place then.
    .fix = { -move-fix }

## happened: the log of a batch, a line each

happened-begun = begun
happened-lit = lit
happened-first-boil = first boil
happened-stirred = stirred
happened-scraped = scraped the sides
happened-off = taken off
happened-paused = off the fire for a while
happened-resumed = back on the fire
happened-abandoned = given up
happened-skin-folded = skin folded in
happened-changed = { $read }, { $change }
happened-note-of-it = { $text }
happened-note-cold = when cold: { $text }
happened-note-guests = who ate it said: { $text }
happened-fault = { $fault }
happened-fault-for = { $fault }: { $why }
happened-judged = cold it was { $how }
happened-poured = { NUMBER($amount) } { $unit } of acid in
happened-poured-clear = { NUMBER($amount) } { $unit } of acid in, the whey runs clear
happened-shade-seen = it looks { $shade }
happened-shade-moved = to { $shade } instead
happened-gone-used-up =
    { $of ->
        [rest] what was left is used up
       *[part] the { $of } is used up
    }
happened-gone-spoiled =
    { $of ->
        [rest] what was left was thrown away: spoiled
       *[part] the { $of } was thrown away: spoiled
    }
happened-gone-spilt =
    { $of ->
        [rest] what was left was spilt
       *[part] the { $of } was spilt
    }
happened-gone-not-liked =
    { $of ->
        [rest] what was left was thrown away: nobody liked it
       *[part] the { $of } was thrown away: nobody liked it
    }
happened-counted = { $count } { $pieces }
happened-piece = piece
happened-pieces = pieces
happened-a-line = a line
happened-step-begun = { $step }: begun
happened-step-done = { $step }: done
happened-step-weighed = { $step }: { MASS($mass_kg) } in the pan
happened-step-weighed-before-last = { $step }: { MASS($mass_kg) } in the pan, before the last of it went in
happened-base-weighed = { $step }: gave { MASS($mass_kg) }
happened-base-taken = { $step }: { MASS($mass_kg) } of { $of }
happened-base-for = { $gave }, { MASS($sweet_kg) } of the sweet from it
happened-sugar-in = { MASS($mass_kg) } of sugar in
happened-weighed = gave { MASS($mass_kg) }
happened-whey = { MASS($mass_kg) } of whey
happened-row-weighed = { MASS($mass_kg) } of { $row } weighed
happened-taken = { MASS($mass_kg) } of it into { $into }
happened-added-butter = { MASS($mass_kg) } of butter in
happened-added-milk = { MASS($mass_kg) } of milk in
happened-added-condensed = { MASS($mass_kg) } of condensed milk in
happened-left-weighed = { MASS($mass_kg) } of { $of } left over
happened-milk-added = { MASS($mass_kg) } of milk added
happened-acid-poured = { MASS($mass_kg) } of lemon juice in
happened-sugar-planned = { MASS($mass_kg) } of sugar planned
happened-no-sugar-planned = no sugar planned
happened-flame-changed = { $flame } flame
happened-stop-moved = stop at { $stop } instead
happened-pan-swapped = moved into { $pan }
happened-part-taken = { NUMBER($percent) } % taken out into batch { $batch }
happened-carried = parted from batch { $batch }
happened-joined = batch { $batch } poured in
happened-poured-into = poured into batch { $batch }
happened-lid-on = lid on
happened-lid-off = lid off
happened-hand-did = { $do }
happened-missed = { $nudge } was missed
happened-snoozed = { $nudge } put off { $minutes } min
happened-hushed = sounds off for what can wait
happened-heard-again = sounds on again
nudged-stir = the stir
nudged-scrape = the scraping
nudged-boilover = the watch for the boil
nudged-flame = turning down
nudged-check = a reading
nudged-chill = the chilling
nudged-sugar = the sugar
nudged-stop = the stop
nudged-paused = the pause
nudged-colour = the shade
nudged-pour = the next pour
happened-read-by = the { $instrument }: { $read }
happened-read-depth = read { LENGTH($value) }
happened-read-weight = weighed { MASS($value) } in the pan
happened-read-volume = measured { VOLUME($value) }
happened-read-spoon = on the spoon it { $stage }
happened-read-temperature = read { NUMBER($value, minimumFractionDigits: 1, maximumFractionDigits: 1) } °C
happened-read-brix = read { NUMBER($value, minimumFractionDigits: 1, maximumFractionDigits: 1) } °Bx
changed-nothing = as I thought
changed-surer = as I thought, now ±{ NUMBER($minutes) } min
changed-later-by-flame = { $minutes } min later than I thought: the flame is weaker than { $flame }
changed-sooner-by-flame = { $minutes } min sooner than I thought: the flame is stronger than { $flame }
changed-later-by-mass = { $minutes } min later than I thought: there was more in the pan
changed-sooner-by-mass = { $minutes } min sooner than I thought: there was less in the pan

## step_facts

step-own-pace = As long as it took you, timed { COUNT($times) ->
    [one] once
   *[other] { $times } times
 }: { NUMBER($pace, minimumFractionDigits: 1, maximumFractionDigits: 1) } of the usual.
step-shape = { $count } { $many } of { NUMBER($mm) } mm.
step-cut = { $along } by { $across }: { NUMBER($long) } × { NUMBER($wide) } mm.
step-fill = { VOLUME($each_m3) } in each, to { NUMBER($mm) } mm: it swells { NUMBER($percent) } %.
step-stand = Before it is eaten it stands { NUMBER($low) } to { NUMBER($high) } minutes.
step-level = In { $pan } it stands { NUMBER($start, minimumFractionDigits: 1, maximumFractionDigits: 1) } cm deep at first, and { NUMBER($stop, minimumFractionDigits: 1, maximumFractionDigits: 1) } cm when it is done.
step-syrup = { MASS($sugar_kg) } of sugar, { MASS($water_kg) } of water: { NUMBER($brix) } °Brix, { $stage }.
step-syrup-boils = It boils at { NUMBER($celsius, minimumFractionDigits: 1, maximumFractionDigits: 1) } °C here; a refractometer reads { NUMBER($brix) }, a drop cooled.
step-swell = They swell from { NUMBER($raw) } to { NUMBER($swollen) } mm: { $count } at once have room.
step-loads = { $loads } loads, { NUMBER($minutes) } min each.
step-top-up = Hot water at the edge, { MASS($top_up_kg) } in all, keeps it { NUMBER($brix) } °Brix.
step-drunk = A { $one } weighs { NUMBER($low) } to { NUMBER($high) } g when it has drunk; { MASS($left_kg) } of syrup is left.
step-drinks = A { $one } of { NUMBER($grams) } g drinks { NUMBER($low) } to { NUMBER($high) } g of the milk.
step-bread-drinks = The bread drinks { MASS($low_kg) } to { MASS($high_kg) } of the { $of }; about { MASS($around_kg) } stands around it.
step-on-to-rabri = What stays in the pan can be boiled on to rabri: { MASS($rabri_kg) } of all that.
step-fat = Fat at { NUMBER($celsius) } °C ({ NUMBER($low) } to { NUMBER($high) }): a crumb of it rises slowly.
step-fry = { $low } to { $high }; they take up { MASS($taken_kg) } of fat.
step-fry-loads = { $loads } loads of { $count } at the most, the fat hot again before each.
step-tray = A tray of { NUMBER($long) } × { NUMBER($wide) } cm, { NUMBER($thick) } mm thick.
step-seconds = { NUMBER($seconds) } s

## caramel

caramel-melt = Melt { MASS($sugar_kg) } of sugar dry on a { $flame } flame; swirl, do not stir.
    .sign = clear syrup, no grains
caramel-take = Take it off before it is { $shade }: it goes on by itself.
    .sign = { $before }, seen on a white spoon
caramel-butter = Off the flame, stir in { MASS($butter_kg) } of butter.
    .sign = it foams, then lies quiet
caramel-pour = Warm the milk to { NUMBER($celsius) } °C; pour in { MASS($pour_kg) } at a time, { $pours } times, at arm’s length: it spits and climbs.
    .sign = each pour is smooth before the next; hard lumps melt on a gentle flame
caramel-condensed = Stir in { MASS($condensed_kg) } of condensed milk.
    .sign = one smooth colour, no sugar grain on the wall
caramel-simmer = Simmer it, scraping, to { MASS($stop_kg) } in the pan; wipe the sides down wet.
    .sign = { MASS($with_pan_kg) } on the scale, pan and all
