## draining

no-such-cloth = There is no cloth “{ $key }” here.
    .fix = Use one of: { $cloths }.

## forecast

bags-out-of-reach = { $bags } bags are out of reach.
    .fix = Part it into 1 to { $most }.
no-such-hanging = Yoghurt is not strained “{ $hung }”.
    .fix = Use: { $keeps_water }.
no-such-strain-end = There is no end “{ $end }”.
    .fix = Use { $named }, or 15 to 40 % solids.
strain-end-twice = How long, or how thick?
    .fix = Give one of the two.
hanging-place-unsafe = At { NUMBER($place_c) } °C no curd is hung.
    .fix = Hang it in the fridge.
strain-time-out-of-reach = { NUMBER($seconds, maximumSignificantDigits: 3) } h is no time to strain for.
    .fix = Give a minute to { NUMBER($longest) } hours.
milk-is-no-yoghurt = { CAP($yoghurt) } is no yoghurt.
    .fix = Choose a yoghurt.
yoghurt-amount-out-of-reach = { $amount } is not a batch.
    .fix = Take 100 g to 20 kg.
yoghurt-never-so-thick = This yoghurt never drains to { $goal } so.
    .fix = Put a weight on it, or take a richer one.
whey-reading-unlikely = Whey only grows, and stays below the yoghurt.
    .fix = Weigh the bowl again.

## cautions

hung-on-the-counter = Two hours at most on the counter,
    .text = then the fridge: it sours fast and other things grow.
hung-in-the-fridge = In the fridge, covered,
    .text = a bowl under it, at or below 5 °C.
hung-too-sour = It turns too sour for a sweet
    .text = before it is that thick: strain it colder, or start with fresher yoghurt.
hung-in-more-bags = That is long for one bag: hang { $bags } of { MASS($each_kg) },
    .text = each lower in its cloth: about { NUMBER($hours) } h.
