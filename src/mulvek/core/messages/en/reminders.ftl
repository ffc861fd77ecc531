## reduction

chill-now = Into the fridge with it.
    .strip = chill it
watch-first-boil = Watch for the first boil and turn down to { $flame } as it rises.
    .strip = watch for the boil
stir-heating = Stir across the bottom.
    .strip = stir
stir-now = Stir, right across the bottom.
    .strip = stir
scrape-sides = Scrape the sides down and stir them in.
    .strip = scrape the sides
flame-too-strong = Turn the flame down: it is more than the bottom bears.
    .strip = flame down
sugar-now = Stir in { MASS($sugar_kg) } of sugar.
    .strip = sugar in
read-it-now = Weigh it, or dip the stick.
    .strip = read it
past-the-stop = Past the stop: take it off now.
    .strip = take it off
stop-now = Take it off the fire.
    .strip = take it off

## pauses

put-it-back = Put it back, or chill it.
    .strip = paused

## curd_run

curd-watch-boil = Watch for the boil.
    .strip = watch for the boil
over-wait = Stir the acid in, a little at a time.
    .strip = acid in
over-acid = Is the whey clear? Then strain it at once.
    .strip = strain it
over-strain = It has drained enough: rinse it.
    .strip = rinse it
over-rinse = Rinsed enough: let it drain.
    .strip = let it drain
over-hang = Take it down.
    .strip = take it down
over-light-squeeze = It has stood its time.
    .strip = take it down
over-hard-squeeze = Squeezed enough.
    .strip = stop squeezing
over-press = Take it from under its weight.
    .strip = unpress it
over-fridge = Take it out of the fridge.
    .strip = take it out
over-weigh = Weigh it.
    .strip = weigh it
over-knead = Kneaded enough: look at it.
    .strip = kneaded?
over-otherwise = { CAP($step) }: its time is up.
    .strip = time is up

## sweet_run

step-check = { $check }
    .strip = ready
step-over = { $step }: its time is up.
    .strip = ready
load-fried = Load { $done } of { $loads } is done: lift it out; when the fat is hot again, the next goes in.
    .strip = load { $next }
load-boiled = Load { $done } of { $loads } is done: lift it out; when it boils again, the next goes in.
    .strip = load { $next }

## caramel_nudges

caramel-weigh = Weigh what it gave.
    .strip = weigh it
caramel-stay = Stay with it: swirl, do not stir. Which shade is it?
    .strip = which shade?
caramel-take-off = Off the flame at { NUMBER($celsius) } °C: it goes on by itself.
    .strip = take it off
caramel-wipe-sides = Wipe the sides down with a wet brush: crystals there make it grainy.
    .strip = wipe the sides
caramel-done = Done at { MASS($stop_kg) } in the pan: weigh it, then off the flame.
    .strip = take it off
pour-butter = Off the flame: stir the butter in at once.
    .strip = butter in
pour-milk = { MASS($mass_kg) } of warm milk in, at arm's length; stir it smooth.
    .strip = milk in
pour-condensed = Stir the condensed milk in.
    .strip = condensed in
