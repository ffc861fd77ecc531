## faults

no-such-fault = There is no fault “{ $key }”.
    .fix = Choose one of the list.
no-such-cause = “{ $title }” has no cause “{ $key }”.
    .fix = Use one of: { $known }.
