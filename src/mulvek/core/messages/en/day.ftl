## detail

sweet-without-steps = { CAP($sweet) } has no steps to plan.
    .fix = Write what is done for it.

## tasks

day-without-burner = Nothing can be cooked without a burner.
    .fix = Add one in the Larder.
day-without-pan = Nothing can be cooked without a pan.
    .fix = Add one in the Larder.
day-start-out-of-reach = The day must begin before it ends.
    .fix = Begin earlier, at most four days before.
day-without-sweets = What is served?
    .fix = Add a sweet.
too-many-sweets = { $count } sweets are no kitchen's day.
    .fix = Serve { $most } at most.
hours-end-before-begin = These hours end before they begin.
    .fix = Write them as 13:00 to 14:00.
