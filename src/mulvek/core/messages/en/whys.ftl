## sweets

why-sweet-pieces = How many pieces
    .formula = finished = what goes in − water boiled off − what pan and spoon keep; pieces = finished ÷ one piece
    .source = Mass balance, closed to a millionth of a gram; Mulvek’s own sweets notes §2
    .uncertainty = { NUMBER($pieces_low) } to { NUMBER($pieces_high) }: the milk's label, the curd's yield and how the end is hit
    .sharpen = Weigh the base: everything is reckoned again from it. Weighed once more at the end, it tells what stays behind in your kitchen.
why-sweet-pieces-lead = { $lead }
    .value = { MASS($kg) }
    .note = { $when }
why-sweet-pieces-boiled-off = boiled off
    .value = { MASS($steam_kg) }
why-sweet-pieces-pan-and-spoon-keep = pan and spoon keep
    .value = { NUMBER($lose, maximumSignificantDigits: 3) } %
    .note = { $learned }
why-sweet-pieces-finished = finished
    .value = { MASS($finished) }
why-sweet-pieces-one-piece = one piece
    .value = { NUMBER($each_kg, minimumFractionDigits: 1, maximumFractionDigits: 1) } g
why-sweet-balance = What it is made of
    .formula = each part of each ingredient, added up, over the finished mass
    .source = Composition tables; windows are common practice and our own targets
    .uncertainty = the milk's label ±, and how the end is hit
    .sharpen = Enter the label of your own milk in the Larder.
why-sweet-balance-fat = fat
    .value = { NUMBER($fat, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-balance-milk-solids-not-fat = milk solids not fat
    .value = { NUMBER($msnf, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
    .note = lactose { NUMBER($lactose, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-balance-added-sugar = added sugar
    .value = { NUMBER($added_sugar, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-balance-other-solids = other solids
    .value = { NUMBER($other, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-balance-water = water
    .value = { NUMBER($water, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-balance-sweetness-warm = sweetness, warm
    .value = { NUMBER($sweetness, minimumFractionDigits: 1, maximumFractionDigits: 1) }
    .note = as sucrose per 100 g
why-sweet-ice = How much of it is ice
    .formula = water freezes out until what is left is strong enough: sugars by Leighton’s sum, salts by the milk’s ash
    .source = Leighton 1927; Pickering's data as in Goff & Hartel 2013; Norrish 1966 beyond
    .uncertainty = ±0.15 K where it begins, ±3 points of the water; the bite ±3 K
    .sharpen = Note how hard yours is at a known temperature.
why-sweet-ice-sucrose-equivalents = sucrose equivalents
    .value = { NUMBER($grams, minimumFractionDigits: 1, maximumFractionDigits: 1) } g
    .note = per 100 g water
why-sweet-ice-begins-freeze = begins to freeze
    .value = { NUMBER($begins_c, minimumFractionDigits: 1, maximumFractionDigits: 1) } °C
why-sweet-ice-at-celsius = at { NUMBER($celsius) } °C
    .value = { NUMBER($ice_of_water) } %
    .note = of its water
why-sweet-ice-bites-cleanly-at = bites cleanly at
    .value = { NUMBER($bite_c) } °C
    .note = 40 % of the whole is ice
why-sweet-freeze = How long in the freezer
    .formula = (1 + Bi/2) · ρV ÷ (A·φ·U) · ∫ dH/(T − air), to a hard core; or what the freezer can do with so much at once
    .source = Mulvek’s own sweets notes §1, within 2 % of a finite-volume run
    .uncertainty = { $freeze_s_low } to { $freeze_s_high }: home freezers differ
    .sharpen = Note once when a full load was hard.
why-sweet-freeze-one-mould = one mould
    .value = { NUMBER($volume_m3) } ml
    .note = { $mould }
why-sweet-freeze-air = air
    .value = { NUMBER($celsius) } °C
    .note = { NUMBER($film) } W/m² K
why-sweet-freeze-freezers-own-limit = the freezer's own limit
    .value = { $crowded_s }
    .note = { $capacity_kg_day } kg a day
why-sweet-freeze-which-counts = which counts
    .value = { $counts ->
        [freezer] the freezer
       *[mould] the mould
    }
why-sweet-stop = When to stop cooking
    .formula = weight at the end = dry solids of all of it ÷ (1 − water wanted), less what is stirred in off the fire
    .source = Mass balance, Mulvek’s own sweets notes §2
    .uncertainty = ±1 point of water for 10 g in a kilogram
    .sharpen = Weigh the empty pan before you begin.
why-sweet-stop-pan = in the pan
    .value = { MASS($into_pan_kg) }
why-sweet-stop-water-wanted = water wanted
    .value = { $cook } %
why-sweet-stop-stop-at = stop at
    .value = { MASS($stop_kg) }
    .note = without the pan
why-sweet-stop-stirred-afterwards = stirred in afterwards
    .value = { MASS($later) }
    .note = not weighed at the stop
why-sweet-syrup = What the syrup does
    .formula = sugar ÷ (sugar + water) evens out between pieces and syrup; they come so far on the way
    .source = Mass balance; uptake after Crank 1975
    .uncertainty = { NUMBER($piece_kg_low) } to { NUMBER($piece_kg_high) } g a piece: swelling ±15 %
    .sharpen = Weigh them all after the rest, drained, as the finished sweet: the next are told by it.
why-sweet-syrup-syrup = syrup
    .value = { NUMBER($brix) } °Brix
    .note = { $stage }
why-sweet-syrup-boils-here-at = boils here at
    .value = { NUMBER($boils_c, minimumFractionDigits: 1, maximumFractionDigits: 1) } °C
why-sweet-syrup-even-strength = even strength
    .value = { NUMBER($equilibrium, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-sweet-syrup-piece-then-weighs = a piece then weighs
    .value = { NUMBER($piece_kg) } g
    .note = { NUMBER($sugar) } % sugar
why-sweet-syrup-left = left
    .value = { MASS($left_kg) }
    .note = at { NUMBER($left_brix) } °Brix
why-sweet-syrup-they-take-up = they take up
    .value = { NUMBER($told, minimumFractionDigits: 2, maximumFractionDigits: 2) } of their weight
    .note = { $drunk }
why-sweet-keeping = How long it keeps
    .formula = the first class that fits: frozen, sour (pH 4.6), water activity to 0.85, 0.92, 0.97, or wet
    .source = Norrish 1966, Ross 1975; growth limits of ICMSF 1996; local food law comes first
    .uncertainty = cautious on purpose; never longer by smell or look
    .sharpen = Weigh the finished sweet: a drier class asks for it.
why-sweet-keeping-water-activity = water activity
    .value = { NUMBER($activity, minimumFractionDigits: 3, maximumFractionDigits: 3) }
    .note = estimated, judged on the wet side
why-sweet-keeping-ph = pH
    .value = { $ph }
why-sweet-keeping-class = class
    .value = { $key }
    .note = { $why }
why-sweet-cooling = Whether it cools in time
    .formula = from { NUMBER($cool_start_c) } °C below 21 °C within 2 h, below 5 °C within 4 h more; time = τ·ln of the gaps to the air
    .source = Newton's cooling with the pot's own surface; public cooling rule (check your local code)
    .uncertainty = ±30 %
    .sharpen = Measure once how warm it is after an hour.
why-sweet-cooling-depth-this-pan = depth in this pan
    .value = { LENGTH($depth_m) }
why-sweet-cooling-fridge = in the fridge to 21 °C
    .value = { $time }
why-sweet-cooling-iced-water = in stirred iced water to 21 °C
    .value = { $time }
why-sweet-time = How long it takes
    .formula = the longest way through the steps; what can run side by side does
    .source = Boiling by the Bench's own model; hands by common practice, Mulvek’s own sweets notes §2
    .uncertainty = { $ready_low } to { $ready_high }
    .sharpen = Log a batch: its flame is learned.
why-sweet-time-step = { $step }
    .value = { $seconds }
    .note = { $check }
why-sweet-fry = How hot the fat, how long
    .formula = heart set: Fourier number × radius² ÷ diffusivity; colour: minutes halve with every 8.8 K
    .source = First term of the sphere's heating series; browning by common practice
    .uncertainty = ±25 % of the time, ±8 °C
    .sharpen = Cut the first one open and note when it was set.
why-sweet-fry-heart-set-after = heart set after
    .value = { $sets_s }
why-sweet-fry-brown-at-heat-after = brown at that heat after
    .value = { $browns_s }
why-sweet-fry-fat-taken-up = fat taken up
    .value = { MASS($taken_kg) }
    .note = by all of it

## reduce

why-pan-depth = How deep the milk stands at the stop
    .formula = depth = the pan’s own depth for that volume; volume = water and solids at 95 °C, each with its own room
    .source = Solid geometry of the measured pan; volumes after Choi & Okos 1986 (fat) and Kell 1975 (water)
    .uncertainty = { $span }, from measuring the pan to 1 % and the milk’s own spread
    .sharpen = Read the stick upright at the deepest point, 15 seconds off the flame.
why-pan-depth-stop = the stop
    .value = { $stop }
why-pan-depth-start = start
    .value = { VOLUME($milk_m3) }
    .note = { LENGTH($start_depth_m) } deep, cold
why-pan-depth-left-hot = left, hot
    .value = { VOLUME($stop_m3) }
    .note = { MASS($stop_water_kg) } of it water
why-pan-depth-pan = pan
    .value = { $pan }
    .note = { LENGTH($height_m) } deep inside
why-pan-rate = How fast steam leaves at the stop
    .formula = steam = (heat that reaches the milk − heat lost to the room) ÷ heat of evaporation
    .source = Energy balance of an open pan, saturation line of Wagner & Pruss; Mulvek’s own reduction notes §4
    .uncertainty = { $span }: burners and settings differ by a third until logged
    .sharpen = Finish a batch in this pan on this flame with a reading or two.
why-pan-rate-heat-into-milk = heat into the milk
    .value = { NUMBER($net) } W
    .note = { $burner }, { $flame }, this base
why-pan-rate-heat-evaporation = heat of evaporation
    .value = 2.26 MJ per kg
why-pan-rate-multiplier-learned-here = multiplier learned here
    .value = { NUMBER($times, minimumFractionDigits: 2, maximumFractionDigits: 2) }
    .note = { $batches } batches
why-pan-rate-steam = steam
    .value = { NUMBER($rate_kg_s, minimumFractionDigits: 1, maximumFractionDigits: 1) } g a minute
why-pan-minutes = How long after the first boil
    .formula = minutes = steam to drive off ÷ steam a minute, summed along the way down
    .source = Energy balance of an open pan; Mulvek’s own reduction notes §4
    .uncertainty = { $span } in four cases of five; it rests on { $rests_on }
    .sharpen = A depth reading half-way narrows it at once; a weight narrows it more.
why-pan-minutes-steam-drive-off = steam to drive off
    .value = { MASS($after_boil) }
    .note = after the first boil
why-pan-minutes-on-way = on the way
    .value = { NUMBER($mean, minimumFractionDigits: 1, maximumFractionDigits: 1) } g a minute
    .note = { $flame } flame, less once the bottom needs sparing
why-pan-minutes-minutes = minutes
    .value = { NUMBER($minutes) } min
why-pan-first-boil = How long to the first boil
    .formula = minutes = heat to warm milk and pan ÷ (heat in − heat lost), summed up to the boil
    .source = Heat capacities of Choi & Okos 1986; saturation line of Wagner & Pruss
    .uncertainty = { $span }: gas pressure and the pan’s fit on the flame
    .sharpen = Press First boil when you see it roll: the clock starts there.
why-pan-first-boil-milk = milk
    .value = { MASS($start_kg) }
    .note = from { NUMBER($milk_c) } °C
why-pan-first-boil-pan = pan
    .value = { MASS($mass_kg) }
    .note = { $made_of }
why-pan-first-boil-heat-into-milk = heat into the milk
    .value = { NUMBER($net) } W
    .note = strong flame until it boils
why-pan-first-boil-height-above-sea = height above the sea
    .value = { NUMBER($altitude_m) } m
    .note = { NUMBER($pressure_pa, minimumFractionDigits: 1, maximumFractionDigits: 1) } kPa
why-pan-served = What you will have
    .formula = to serve = milk + sugar − steam − what stays behind
    .source = Mass balance (exact); film on the wall by thickness, Mulvek’s own reduction notes §4
    .uncertainty = { $span }: a dip-stick is read to 2 mm; what stays behind is known to a half
    .sharpen = Weigh the pan instead of dipping it.
why-pan-served-milk = milk
    .value = { MASS($milk_kg) }
why-pan-served-steam = steam
    .value = − { MASS($steam_kg) }
why-pan-served-left-on-pan-and = left on pan and spoon
    .value = − { MASS($lost) }
    .note = scraped down; film, ring, spatter, tasting
why-pan-served-sugar = sugar
    .value = + { MASS($sugar_kg) }
why-pan-solids = Total solids of what you will have
    .formula = total solids = everything but water ÷ everything
    .source = Milk composition: { $source }
    .uncertainty = { $span }; { $confidence }
    .sharpen = Use the fat and SNF of your own milk’s label.
why-pan-solids-milk-solids = milk solids
    .value = { MASS($solids) }
    .note = { $milk }
why-pan-solids-sugar = sugar
    .value = { $there ->
        [yes] { MASS($sugar_kg) }
       *[no] none
    }
why-pan-solids-water-left = water left
    .value = { MASS($water) }
why-pan-solids-pan-at-stop = in the pan at the stop
    .value = { NUMBER($pan_solids, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
    .note = before any sugar at the end
why-pan-spoon = How thick it is { $how ->
        [cold] after a night in the fridge
       *[hot] hot, off the boil
    }
    .formula = thickness = sugar water × crowding by protein and fat × protein gel
    .source = Génotelle 1978 (sugar water); Snoeren, Damman & Klok 1982 (crowding); stage limits are our judgement
    .uncertainty = { NUMBER($viscosity_low, maximumSignificantDigits: 2) } to { NUMBER($viscosity_high, maximumSignificantDigits: 2) } mPa s: { $width }
    .sharpen = Write in the Book how it turned out cold.
why-pan-spoon-total-solids = total solids
    .value = { NUMBER($total_solids) } %
why-pan-spoon-at = at
    .value = { NUMBER($celsius) } °C
why-pan-spoon-viscosity = viscosity
    .value = { NUMBER($viscosity, maximumSignificantDigits: 3) } mPa s
    .note = water is { $how ->
        [cold] 1.5
       *[hot] 0.3
    }
why-pan-spoon-on-spoon = on the spoon
    .value = { $spoon }
    .note = { $sign }
why-pan-headroom = How far the boil climbs
    .formula = climb = milk × (1 + swelling); the most this pan takes = brim ÷ (1 + swelling)
    .source = Common practice
    .uncertainty = Fresh milk and a strong flame climb further; never rely on the figure alone
    .sharpen = Turn down as the first bubbles lift, and stay by the pan.
why-pan-headroom-milk = milk
    .value = { VOLUME($start_m3) }
why-pan-headroom-swelling = swelling
    .value = { NUMBER($climb) } %
    .note = { $flame } flame; 100 % on a strong one
why-pan-headroom-climbs = climbs to
    .value = { LENGTH($climb_depth_m) }
why-pan-headroom-most-for-this-pan = most for this pan
    .value = { VOLUME($most_milk_m3) }

## reduce: judgement

why-judgement-keeping = How well it keeps
    .formula = the first class that fits: water activity to 0.85, 0.92, 0.97, or wet; activity by what is dissolved
    .source = Norrish 1966, Ross 1975; growth limits of ICMSF 1996; the same rule as in Sweets
    .uncertainty = { NUMBER($water_activity_low, minimumFractionDigits: 2, maximumFractionDigits: 2) } to { NUMBER($water_activity_high, minimumFractionDigits: 2, maximumFractionDigits: 2) }; clean jars and cold decide more than the figure
    .sharpen = Nothing at home: keep it cold, whatever the figure. Local food law goes first.
why-judgement-keeping-water = water
    .value = { MASS($water) }
why-judgement-keeping-sugar-water = sugar in the water
    .value = { NUMBER($sugar_number, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
    .note = 62.5 to 64.5 % keeps condensed milk
why-judgement-keeping-water-activity = water activity
    .value = { NUMBER($water_activity, minimumFractionDigits: 3, maximumFractionDigits: 3) }
    .note = milk is 0.995; judged on the wet side
why-judgement-colour = What colour it takes
    .formula = dose = minutes at 100 °C, ×2.6 per 10 °C, × √(sugars × protein in the water), with the hot wall’s share
    .source = Arrhenius form, 115 kJ/mol; scale by our own judgement, Mulvek’s own reduction notes §9
    .uncertainty = a factor 2 either way: { $low_name } to { $high_name }
    .sharpen = Sugar early or late changes it by only a tenth; a lower flame changes it more.
why-judgement-colour-dose-at-stop = dose at the stop
    .value = { NUMBER($dose) }
    .note = minutes of milk at 100 °C
why-judgement-colour-colour = colour
    .value = { $name }
    .note = ivory under 60, cream under 180, deep cream under 450
why-judgement-colour-pan = pan
    .value = { $made_of }
    .note = { $material ->
        [iron] iron browns a third faster
       *[other] { "" }
    }
why-judgement-crystals = Whether it turns sandy
    .formula = crystal width = ∛(lactose that cannot stay dissolved ÷ number of crystals)
    .source = Lactose solubility: Hudson 1908, Whittier 1944, sugar effect after Nickerson & Moore 1972
    .uncertainty = how many crystals start is known only to a factor 5
    .sharpen = Cool to 30 °C within half an hour, stir in a spoonful of a smooth batch, stir often until cold.
why-judgement-crystals-lactose-against-what-celsius = lactose against what 5 °C water holds
    .value = { NUMBER($lactose_supersaturation, minimumFractionDigits: 2, maximumFractionDigits: 2) } ×
    .note = under 1: never sandy
why-judgement-crystals-left-cool-still = left to cool still
    .value = { NUMBER($size_m) } µm
    .note = felt from 15, sandy above 25
why-judgement-crystals-sugar-water = sugar in the water
    .value = { NUMBER($sugar_number, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
    .note = above 64.5 the sugar itself comes out
why-judgement-early = Where to stop for the thickness you want cold
    .formula = stop where the cold thickness, reckoned for 5 °C after a night, is the middle of the stage
    .source = Viscosity of concentrated milk, Mulvek’s own reduction notes §7
    .uncertainty = one stage either way once solids pass 45 %
    .sharpen = Cover it as it cools, and write in the Book how it turned out.
why-judgement-early-at-your-stop-hot = at your stop, hot
    .value = { $hot }
why-judgement-early-same-cold = the same, cold
    .value = { $cold }
    .note = could be { $low } to { $high }
why-judgement-early-left-open-cool = left open to cool
    .value = − { MASS($cooling_open_kg) }
    .note = more steam: thicker still
why-judgement-halves = Why half the depth is not half the milk
    .formula = volume follows the pan’s shape: a round bottom holds little near its deepest point
    .source = Solid geometry of the measured pan
    .uncertainty = as good as the pan was measured, 1 %
    .sharpen = Print the dip-stick: its marks are this pan’s own.
why-judgement-halves-half-milk-stands-at = half the milk stands at
    .value = { NUMBER($half_volume_at_depth) } % of the depth
why-judgement-halves-half-depth-holds = half the depth holds
    .value = { NUMBER($half_depth_holds) } % of the milk
why-judgement-halves-pan = pan
    .value = { $pan }
why-judgement-losses = What stays behind
    .formula = film = wall × thickness of what clings to it; a ring dries above the falling level
    .source = Mulvek’s own reduction notes §4
    .uncertainty = ±50 %
    .sharpen = Weigh what you scraped out: the difference is yours.
why-judgement-losses-scraped-down = scraped down
    .value = { MASS($scraped_kg) }
why-judgement-losses-not-scraped = not scraped
    .value = { MASS($unscraped_kg) }
why-judgement-losses-spatter-and-tasting = spatter and tasting
    .value = { MASS($lost_kg) }
why-judgement-losses-steam-while-cools-uncovered = steam while it cools uncovered
    .value = { MASS($cooling_open_kg) }
why-judgement-stir = How often to stir
    .formula = stir before the hottest spot has baked for a minute’s worth at 115 °C; heat doubles it every 7 °C
    .source = Film heat transfer; constants are our own estimate, Mulvek’s own reduction notes §9
    .uncertainty = order of magnitude right, ±50 %
    .sharpen = Look at the spoon: brown specks mean shorter rests or less flame.
why-judgement-stir-shortest-rest-on-way = shortest rest on the way
    .value = { NUMBER($shortest_stir_s) } s
    .note = under 20 s: do not stop
why-judgement-stir-pan = pan
    .value = { $made_of }
    .note = hottest spot { NUMBER($hot_spot, minimumFractionDigits: 2, maximumFractionDigits: 2) } × the mean
why-judgement-stir-wall = wall
    .value = up to { NUMBER($safe_wall_k) } °C above the milk
    .note = beyond, turn down

## curdle

why-curd-temperature = How warm it is when the acid goes in
    .formula = cooling = steam from the surface + heat to the air, from surface and wall, step by step
    .source = Vapour transfer and convection, Mulvek’s own curd notes §3
    .uncertainty = { NUMBER($acid_c_low) } to { NUMBER($acid_c_high) } °C
    .sharpen = Read a thermometer once after three minutes.
why-curd-temperature-boils-here-at = boils here at
    .value = { NUMBER($boils_c, minimumFractionDigits: 1, maximumFractionDigits: 1) } °C
    .note = { NUMBER($altitude_m) } m up
why-curd-temperature-wait = wait
    .value = { NUMBER($wait_s, minimumFractionDigits: 1, maximumFractionDigits: 1) } min
    .note = off the flame, stirred now and then
why-curd-temperature-once-acid = once the acid is in
    .value = { NUMBER($mixed_c) } °C
why-curd-acid = How much acid
    .formula = dose = what the milk’s salts and casein buffer down to the end pH ÷ what the acid gives off there
    .source = Buffering after Salaün et al. 2005; juices after Penniston et al. 2008
    .uncertainty = { $low } to { $high }: juice and milk vary
    .sharpen = Stop when the whey runs clear and greenish; do not use up the rest.
why-curd-acid-end-ph = end pH
    .value = { NUMBER($ph, minimumFractionDigits: 2, maximumFractionDigits: 2) }
    .note = where whey runs clear at { NUMBER($acid_c) } °C
why-curd-acid-likely = likely
    .value = { $dose }
    .note = { $name }
why-curd-acid-strength = strength
    .value = { $given ->
        [yes] { $strength } { $percent }
       *[no] the usual
    }
why-curd-acid-if-all-went = if all of it went in
    .value = pH { NUMBER($ph_if_all, minimumFractionDigits: 2, maximumFractionDigits: 2) }
    .note = below 5.2 sour and firm, below 5.0 grainy
why-curd-acid-thinned-with = thinned with
    .value = { MASS($water_kg) }
    .note = water, to { $dilute_to } %
why-curd-curd = How much curd
    .formula = curd = casein, fat, part of the whey protein and ash + the water that the draining leaves
    .source = Retentions after De 1980, Walstra et al. 2006, Sachdeva & Singh 1988
    .uncertainty = { MASS($curd_kg_low) } to { MASS($curd_kg_high) }: milk and hands vary
    .sharpen = Weigh it: three weighed batches of one milk halve the range.
why-curd-curd-milk = milk
    .value = { MASS($milk_kg) }
    .note = { $milk }
why-curd-curd-protein-milk = protein in the milk
    .value = { NUMBER($protein, minimumFractionDigits: 2, maximumFractionDigits: 2) } %
    .note = casein and whey protein
why-curd-curd-fat-kept = fat kept
    .value = { MASS($fat) }
why-curd-curd-protein-kept = protein kept
    .value = { MASS($protein) }
why-curd-curd-water-kept = water kept
    .value = { MASS($water) }
    .note = { $drained }
why-curd-moisture = How moist and how firm
    .formula = moisture by draining, temperature, acidity and milk; texture index from all of them and the rinses
    .source = Mulvek’s own curd notes §1 and §3; the index is our own judgement
    .uncertainty = moisture ± 2.8 points, texture { NUMBER($texture_low) } to { NUMBER($texture_high) }
    .sharpen = Press a test ball: cracks say drier, stickiness says wetter.
why-curd-moisture-drained = drained
    .value = { $drained }
    .note = { NUMBER($minutes) } min
why-curd-moisture-moisture = moisture
    .value = { NUMBER($moisture, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-curd-moisture-texture = texture
    .value = { NUMBER($texture) }
    .note = 0 soft and moist, 100 firm and dry
why-curd-whey = How much whey, and what is in it
    .formula = whey = milk + acid − curd − steam
    .source = Mass balance, exact
    .uncertainty = as the curd
    .sharpen = Keep it: soured, it curdles the next milk.
why-curd-whey-whey = whey
    .value = { MASS($whey_kg) }
why-curd-whey-lactose = lactose in it
    .value = { MASS($lactose) }
why-curd-whey-protein = protein in it
    .value = { MASS($protein) }
why-curd-whey-fat = fat in it
    .value = { MASS($fat) }
why-curd-rinse = What the rinse does
    .formula = serum left = 1 − 0.6 × water ÷ (water + serum), each time
    .source = Mulvek’s own curd notes §4
    .uncertainty = poured through 0.4, opened and stirred 0.6, dunked 0.8
    .sharpen = Two small rinses beat one large one.
why-curd-rinse-rinse-water = rinse water
    .value = { $rinsed ->
        [yes] { MASS($rinse_kg) }
       *[no] none
    }
    .note = { $rinses } times
why-curd-rinse-curd-after = curd after it
    .value = { $rinsed ->
        [yes] { NUMBER($rinsed_c) } °C
       *[no] not rinsed
    }
why-curd-rinse-acid-left = acid left
    .value = { NUMBER($acid_left, minimumFractionDigits: 3, maximumFractionDigits: 3) } %
    .note = 0.05 % or less does not taste
why-curd-knead = How long to knead
    .formula = minutes fall with fat and moisture, rise with the amount; a third more for homogenised milk
    .source = Mulvek’s own curd notes §5
    .uncertainty = a third either way: the end sign decides
    .sharpen = Stop when the palm just shines and a test ball shows no cracks.
why-curd-knead-minutes = minutes
    .value = { NUMBER($knead_s) }
why-curd-knead-fat-dry-part = fat in the dry part
    .value = { NUMBER($fat) } %
why-curd-knead-moisture = moisture
    .value = { NUMBER($moisture) } %

## caramel

why-caramel-off = When the flame goes off
    .formula = middle of the shade − what the pan still gives
    .source = Reduction dossier §9
    .uncertainty = ± 4 °C: two thermometers differ as much
    .sharpen = Look at the colour on a white spoon, and at the thermometer.
why-caramel-off-shade = { $shade }
    .value = { NUMBER($from_c) } to { NUMBER($to_c) } °C
why-caramel-off-pan-gives = the pan gives
    .value = { NUMBER($likely) } °C
    .note = { NUMBER($least) } to { NUMBER($most) }, more in a heavy one
why-caramel-off-off-at = off at
    .value = { NUMBER($off_c) } °C
why-caramel-melt = How long it melts
    .formula = heat for the sugar and the pan ÷ what the flame brings
    .source = Energy balance; sucrose 1.24 and 2.1 kJ/kg K, 135 kJ/kg to melt (CRC Handbook)
    .uncertainty = { NUMBER($melt_s_low) } to { NUMBER($melt_s_high) } min
    .sharpen = Tell a shade or a temperature on the way: the rest follows from it.
why-caramel-melt-sugar = sugar
    .value = { MASS($sugar_kg) }
why-caramel-melt-pan = pan
    .value = { MASS($mass_kg) }
    .note = { $pan }
why-caramel-melt-at-end = at the end
    .value = { NUMBER($rise_k_s) } °C a minute
    .note = { $melt_on } flame
why-caramel-pours = How the milk goes in
    .formula = at most half the sugar’s weight at a time; boiling up to twice its volume below the rim
    .source = Common practice: an estimate
    .uncertainty = colder milk spits more and sets more of the sugar hard
    .sharpen = Watch the first pour; halve the next if it climbs past half the wall.
why-caramel-pours-milk = milk
    .value = { MASS($milk_kg) }
    .note = { NUMBER($warm_milk_c) } °C
why-caramel-pours-pour = a pour
    .value = { MASS($pour_kg) }
why-caramel-pours-climbs = climbs to
    .value = { LENGTH($climbs_m) }
    .note = of { LENGTH($height_m) }
why-caramel-stop = What it is simmered to
    .formula = what went in − the water that leaves
    .source = Mass balance; sweets dossier §2
    .uncertainty = { MASS($stop_kg_low) } to { MASS($stop_kg_high) }
    .sharpen = Weigh what goes in, and the pan while it simmers.
why-caramel-stop-sugar-as-caramel = sugar as caramel
    .value = { MASS($caramel_kg) }
    .note = { NUMBER($steam) } % leaves as steam
why-caramel-stop-butter-milk-condensed = butter, milk, condensed
    .value = { MASS($mixed_kg) }
why-caramel-stop-at-end = at the end
    .value = { MASS($stop_kg) }
    .note = { NUMBER($total_solids) } % solids
why-caramel-stop-jar = in the jar
    .value = { MASS($served_kg) }
    .note = { NUMBER($left_share) } % stays in the pan
why-caramel-thick = How thick it is cold
    .formula = thickness of these solids at 5 °C, after a night
    .source = Reduction dossier §7
    .uncertainty = about one stage either way
    .sharpen = Put a spoonful in the fridge for ten minutes before you stop.
why-caramel-thick-solids = solids
    .value = { NUMBER($total_solids) } %
why-caramel-thick-sugar = sugar
    .value = { NUMBER($sugar) } %
why-caramel-thick-fat = fat
    .value = { NUMBER($fat) } %

## strain

why-strain-time = How long it hangs
    .formula = whey = the most that can leave × (1 − exp(−(time ÷ τ)^0.7))
    .source = Mulvek’s own curd notes §9; readings update τ as a normal belief about its logarithm
    .uncertainty = { $of ->
        [hours] { NUMBER($low_h, minimumFractionDigits: 1, maximumFractionDigits: 1) } to { NUMBER($high_h, minimumFractionDigits: 1, maximumFractionDigits: 1) } h
       *[whey] whey { MASS($whey_kg_low) } to { MASS($whey_kg_high) }
    }
    .sharpen = Weigh the whey once after an hour or two and log it.
why-strain-time-most = the most
    .value = { MASS($most_whey_kg) }
    .note = set by fat and protein
why-strain-time-tau = τ
    .value = { NUMBER($tau_s, minimumFractionDigits: 1, maximumFractionDigits: 1) } h
    .note = { $cloth }, { $hung }, { NUMBER($place_c) } °C
why-strain-time-time = time
    .value = { NUMBER($hours, minimumFractionDigits: 1, maximumFractionDigits: 1) } h
why-strain-thick = How thick it gets
    .formula = total solids = (yoghurt’s solids − whey’s solids) ÷ what is left
    .source = Mass balance; whey solids 5.4 to 6.3 %
    .uncertainty = as the whey
    .sharpen = Use the fat and solids of your own yoghurt’s label.
why-strain-thick-yoghurt = yoghurt
    .value = { MASS($mass_kg) }
    .note = { NUMBER($total_solids, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-strain-thick-whey = whey
    .value = { MASS($whey_kg) }
    .note = { NUMBER($whey_solids, minimumFractionDigits: 1, maximumFractionDigits: 1) } % solids
why-strain-thick-left = left
    .value = { MASS($curd_kg) }
    .note = { NUMBER($total_solids, minimumFractionDigits: 1, maximumFractionDigits: 1) } %
why-strain-sour = How sour it is by then
    .formula = acid forms on towards 2.2 %, 2.7 times as fast for every 10 °C
    .source = Mulvek’s own curd notes §9
    .uncertainty = ± 0.05 %
    .sharpen = Taste it before you hang it: start from what it is.
why-strain-sour-at-start = at the start
    .value = { NUMBER($acidity, minimumFractionDigits: 2, maximumFractionDigits: 2) } %
    .note = lactic acid
why-strain-sour-by-then = by then
    .value = { NUMBER($acidity, minimumFractionDigits: 2, maximumFractionDigits: 2) } %
    .note = { $taste }
why-strain-sour-place = place
    .value = { NUMBER($place_c) } °C
why-strain-time-learned = τ learned here
    .value = { NUMBER($times, minimumFractionDigits: 2, maximumFractionDigits: 2) } ×
    .note = { COUNT($hangings) ->
        [one] 1 hanging
       *[other] { $hangings } hangings
    }

## rests on

rests-on-burner-table = a guess from a typical burner: log one batch and this gets sharper
rests-on-batches = { COUNT($batches) ->
    [one] your one batch in this pan on this flame
   *[other] your last { $batches } batches in this pan on this flame
 }
rests-on-label = the milk’s label: weigh the chhena once and this gets sharper
rests-on-chhenas = { COUNT($batches) ->
    [one] the one chhena you weighed of this milk
   *[other] the last { $batches } chhenas you weighed of this milk
 }
rests-on-whey = the whey you weighed
rests-on-cloth-table = the table of cloths: weigh the curd you take down and this gets sharper
rests-on-hangings = { COUNT($batches) ->
    [one] your one hanging in { $cloth }
   *[other] your last { $batches } hangings in { $cloth }
 }

## spans

span-cm = { NUMBER($low, minimumFractionDigits: 1, maximumFractionDigits: 1) } to { NUMBER($high, minimumFractionDigits: 1, maximumFractionDigits: 1) } cm
span-grams-a-minute = { NUMBER($low) } to { NUMBER($high) } g a minute
span-min = { NUMBER($low) } to { NUMBER($high) } min
span-grams = { NUMBER($low) } to { NUMBER($high) } g
span-percent = { NUMBER($low) } to { NUMBER($high) } %
in-hours = { NUMBER($hours, minimumFractionDigits: 1, maximumFractionDigits: 1) } h
in-minutes = { NUMBER($minutes) } min
never = never
dose-ml = { NUMBER($amount) } ml
dose-g = { NUMBER($amount, minimumFractionDigits: 1, maximumFractionDigits: 1) } g
learned-here = learned here: { NUMBER($times, minimumFractionDigits: 2, maximumFractionDigits: 2) } × the table
could-be-stages = could be { $low } to { $high }
throughout-its-range = { $stage } throughout its range
