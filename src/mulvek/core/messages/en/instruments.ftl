## lines

lines-without-columns = Line 1 names no columns of ours.
    .fix = Use at_s and some of: { $channels }.
lines-of-another-kind = The instrument sends lines of another kind.
    .fix = It must speak { $format }.
lines-back-in-time = Line { $line_num } goes back in time.
    .fix = Keep at_s rising.
lines-no-number = Line { $line_num } holds something that is no number.
    .fix = Mend it.
