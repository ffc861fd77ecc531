## burners

no-burner-kind = There is no burner kind “{ $kind }”.
    .fix = Use one of: { $known }.
burner-strength-out-of-reach = A burner's strength is 0.2 to 5.
    .fix = Use 1 for an ordinary one.

## kitchen

kitchen-number-out-of-reach = { $value } { $unit } is not a kitchen's.
    .fix = Give { $low } to { $high } { $unit }.

## lands

measure-differs-by-land = A { $name } is { $sizes }.
    .fix = Write { $ways }, or ml.

## measured

pair-count = { $count } pairs do not make a pan.
    .fix = Pour { $fewest } to { $most } times.
pan-height-unlikely = That is no pan's height.
    .fix = Measure the inside: 1 to 80 cm.
pair-above-rim = The deepest pair stands above the rim.
    .fix = Measure the height to the rim.
pair-not-deeper = Pair { $number } does not stand deeper and hold more than the one before.
    .fix = Give them in the order you poured, all water counted.
pair-width-unlikely = Pair { $number } makes a pan { NUMBER($width) } cm wide there.
    .fix = Check its depth (cm) and its volume (all the water so far).

## moulds

no-mould-kind = There is no mould “{ $kind }”.
    .fix = Use cone, stick, pot or tray.
no-mould = There is no mould “{ $key }”.
    .fix = Use one of: { $moulds }.

## packs

pack-size-unknown = What a { $what } of { $pack } holds does not stand in the Larder.
    .fix =
    { $unit ->
        [ml] Write it there, or give litres.
       *[g] Write it there, or give grams.
    }

## pans

no-pan-material = No pan is made of “{ $material }”.
    .fix = Use one of: { $known }.
pan-mass-unlikely = A pan of { $mass_kg } kg is unlikely.
    .fix = Give 0.05 to 30 kg.

## quantities

a-volume = a volume
a-mass = a weight
a-length = a depth
a-percent = per cent
a-none = a number
example-of-amount = Write a number and a unit, like 2.4 L, 750 ml, 1.2 kg or 2½ cups.
word-unreadable = I cannot read “{ $word }” in “{ $text }”.
    .fix = { $example }
number-too-large = “{ $text }” is too large to cook with.
    .fix = Give a smaller number.
amount-too-long = That is too long for an amount.
    .fix = Write just the amount, like 2.4 L.
no-amount = No amount is given.
    .fix = Write one, like 2.4 L, 1.2 kg or 3 glasses.
wrong-dimension = “{ $text }” is { $given }, where { $wanted } is needed.
    .fix = Change the unit.
amount-is-nothing = “{ $text }” is nothing.
    .fix = Give an amount above zero.
duration-unreadable = “{ $text }” is no time.
    .fix = Write it like 40 minutes, 2 h or 1 h 30.
amount-mixes-dimensions = “{ $text }” mixes { $one } and { $other }.
    .fix = Give all of it by volume or all of it by weight.
measure-size-unlikely = A { $what } of { $value } ml is not a kitchen measure.
    .fix = Give 1 to 2000 ml.
amount-negative = “{ $text }” is negative.
    .fix = Give an amount above zero.

## vessels

pan-measure-unlikely = A { $measure } of { $cm } cm is not a kitchen pan's.
    .fix = Measure the inside and give { $low } to { $high } cm.
flat-patch-too-wide = The flat patch is as wide as the pan.
    .fix = Give less than the rim's width.
bowl-too-deep = A bowl deeper than half its width is not a round cap.
    .fix = Give the round part only, and the rest as wall height.
