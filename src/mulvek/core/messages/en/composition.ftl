## materials

fat-and-snf-too-much = Fat and SNF add up to 100 % or more.
    .fix = Copy both from the label, in g per 100 g.
bulk-density-unlikely = A litre of it cannot weigh { $bulk } g.
    .fix = Weigh a level cup again.
label-not-of-milk =
    { $of ->
        [snf] SNF of { $value } % is not a milk's.
       *[fat] Fat of { $value } % is not a milk's.
    }
    .fix = Give { $low } to { $high } g per 100 g, as on the label.
no-such-material = There is nothing called “{ $key }”.
    .fix = Use one of: { $known }.
label-only-for-milk = { $name } is not milk's: it has no fat and SNF label.
    .fix = Leave the label empty.
snf-of-solids = It has solids that are not fat.
    .fix = Copy both from the label.
label-share-impossible = { $value } g per 100 g cannot be.
    .fix = Copy it from the label: 0 to 100.
