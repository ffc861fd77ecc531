## burner_timing

burner-nothing-timed = Nothing was timed.
    .fix = Give the minutes to the boil, the loss, or both.
pan-too-small-for-water = { $pan } is too small to boil so much.
    .fix = Take a larger pan or less water.
burner-boiled-dry = It would have boiled dry.
    .fix = Weigh pan and water before and after.
burner-timing-out-of-reach = { $value } { $unit } cannot be.
    .fix = Give { $low } to { $high } { $unit }.
burner-strength-unlikely = That is { NUMBER($strength, minimumFractionDigits: 1, maximumFractionDigits: 1) } times this kind's power.
    .fix = Check kind, time and water.

## compare

stop-before-boil-in-pan = It is that far down by the time it boils.
    .fix = Choose a later stop.

## evaporation

flame-never-boils = This flame brings so much milk in this pan to { NUMBER($celsius) } °C and no further.
    .fix = Take a stronger burner, less milk or a narrower pan.
flame-takes-too-long = On this flame it would take more than twelve hours.
    .fix = Take a stronger flame, less milk or an earlier stop.

## forecast

stop-before-boil = It is that far down by the time it boils.
    .fix = Choose a stop with less milk left.
pan-brim-below-milk = { $pan } holds { VOLUME($brim) } to the brim; this is { VOLUME($start) }.
    .fix = Take a larger pan or less milk.
pan-boils-over = { $pan } boils over with more than { VOLUME($most) } on a { $flame } flame; this is { VOLUME($start) }.
    .fix = Take a larger pan or less milk.

## plan

milk-amount-out-of-reach = { $amount } of milk is not a batch.
    .fix = Take between 20 ml and 200 L.
more-added-than-milk = That is more of it than of milk.
    .fix = Add less, or take more milk.
too-much-sugar = That is more sugar than milk will hold.
    .fix = Take less sugar.
no-such-choice = There is no “{ $value }” here.
    .fix = Use one of: { $known }.

## stops

stop-too-long = That is too long for a stop.
    .fix = Write it like “half its volume” or “4.4 cm”.
stop-hot-or-cold = { CAP($stage) }: hot now, or cold tomorrow?
    .fix = Write “{ $stage } cold”, or a part or weight.
stop-in-sugar = “{ $text }” is no stop: sugar does not boil away.
    .fix = Write “half its volume” or “600 g”.
stop-of-what = { $number_text } of what?
    .fix = Write “{ $number_text } solids” or “{ $number_text } of its volume”.
stop-not-a-part = “{ $text }” is not a part of the milk.
    .fix = Write it like “half its volume” or “a quarter”.

## track

stop-above-pan = { $pan } is only { LENGTH($height_m) } deep.
    .fix = Choose a lower level.
stop-above-start = { CAP($stop) } is more than stands in the pan at the start.
    .fix = Choose a stop with less milk left.
stop-drier-than-khoya = { CAP($stop) } is drier than khoya: no pan of milk goes there.
    .fix = Keep at least { VOLUME($least) } in the pan.
sugar-drier-than-khoya = With { MASS($sugar_kg) } of sugar it would be drier than khoya at { $stop }.
    .fix = Take less sugar, or keep at least { VOLUME($least) } in the pan.

## wish

wish-stop-is-amount = “{ $stop }” is itself an amount.
    .fix = Choose a stop that fits any amount: a part, a name, or solids.
wish-out-of-reach = { $wanted } is out of this kitchen's reach.
    .fix = Wish for a batch.
