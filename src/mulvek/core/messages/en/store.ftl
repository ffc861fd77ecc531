## bases

batch-not-standing = Nothing stands there of a weighed batch { $ref }.
    .fix = Choose one of the list.

## batches

no-batch-number = There is no batch number { $batch_id }.
    .fix = Look in the Book for those there are.
no-batch-called = There is no batch { $ref }.
    .fix = Look in the Book for those there are.
batch-changed-meanwhile = Something was logged in { $batch } meanwhile.
    .fix = Try it once more.
no-burner-number = There is no burner number { $burner }.
    .fix = Choose one of the Larder.
no-pan-number = There is no pan number { $pan }.
    .fix = Choose one of the Larder.
taken-by-batch =
    { $at ->
        [burner] { $name } is still on it.
       *[pan] { $name } is still in it.
    }
    .fix =
    { $at ->
        [burner] Take it off, or use another burner.
       *[pan] Take it off, or use another pan. If there are two alike, add the second in the Larder.
    }
event-key-used = That key is used by another happening.
    .fix = Send a fresh one.
undo-between-batches = That was between two batches.
    .fix = Part or pour it again.

## copies

copy-not-written = The copy cannot be written: { $why }.
    .fix = Make room, or name another folder.
no-such-copy = There is no copy called “{ $name }”.
    .fix = Choose one of the list.
no-such-file = There is no file { $file }.
    .fix = Name a copy.
kitchens-file-damaged = The kitchen’s file is damaged.
    .fix = mulvek verify says where.
copy-unreadable = { $file } cannot be read: { $error }.
    .fix = Take an older copy.
copy-damaged = { $file } is damaged.
    .fix = Take an older copy.
not-a-kitchen-file = { $file } is no kitchen’s file.
    .fix = Name a copy that Mulvek made.
copy-by-newer-mulvek = { $file } was written by a newer Mulvek.
    .fix = Install that one, or take an older copy.

## database

file-by-newer-mulvek = This kitchen’s file was written by a newer Mulvek.
    .fix = Start that one, or bring back an older copy: mulvek restore.

## days

day-changed-elsewhere = The day was changed on another screen.
    .fix = Look at it again, then decide.
no-day-number = There is no day number { $day_id }.
    .fix = Look at those there are.

## devices

device-not-here = There is no such device.
    .fix = Look at the list of those that were let in.

## larder

thing-changed-elsewhere = This { $what } was changed elsewhere meanwhile.
    .fix = Look at it as it is now, then change it again: what you typed is still here.
file-without-kitchen = This file has no kitchen.
    .fix = Start Mulvek again: it makes one.
no-such-thing = There is no { $what } number { $thing_id } in this kitchen.
    .fix = Choose one of the Larder.
name-taken = There is a “{ $name }” already.
    .fix = Give it another name.
burner-in-use = { $name } is on it.
    .fix = Finish that batch first.

## layouts

row-by-newer-mulvek = A newer Mulvek wrote this { $cls }.
    .fix = Start that one.

## parting

already-poured-in = It is in there already.
    .fix = Choose another batch.

## photos

picture-unreadable = That is no picture.
    .fix = Choose a JPEG, PNG or WebP.
no-such-picture = There is no picture { $number } of this batch.
    .fix = Look at those there are.
too-many-pictures = { $most } pictures of it are kept.
    .fix = Take one away first.
picture-not-kept = The picture could not be kept.
    .fix = Make room on the disk, and try again.
picture-too-large = That picture is larger than any camera’s.
    .fix = Choose a smaller one.

## recipes

too-many-own-sweets = There are { $most } own sweets already.
    .fix = Take one out first.
no-own-sweet-number = There is no own sweet number { $sweet_id }.
    .fix = Choose one of the list.
sweet-changed-elsewhere = It was changed in another tab.
    .fix = Open it again: what you typed is kept here.
sweet-name-too-long = That name is too long.
    .fix = Use up to 80 letters.
sweet-is-used = { CAP($sweet) } is made of it.
    .fix = Change that one first.
sweet-name-taken = There is a sweet called { $sweet } already.
    .fix = Give it another name.

## rehearsal

no-rehearsal-number = There is no rehearsal number { $rehearsal_id }.
    .fix = Begin a new one.
rehearsal-over = This rehearsal is over.
    .fix = Look at its account, or begin another.
kind-not-rehearsed = That is not rehearsed.
    .fix = Do it on a real batch.
rehearsed-stays-done = What was done to the milk stays done.
    .fix = Go on from here.

## samples

instrument-not-paired = That instrument is not paired here.
    .fix = Look at the list of those that are.

## shelf


## trouble

file-locked = The kitchen’s file is held by something else just now.
    .fix = It goes on by itself when that is done.
disk-full = The disk is full.
    .fix = Make room on it: what was said is kept until then.
file-read-only = The kitchen’s file may only be read.
    .fix = Let Mulvek write to its folder.
file-damaged = The kitchen’s file is damaged.
    .fix = Stop Mulvek and bring back a copy: mulvek restore.
file-not-opened = The kitchen’s file cannot be opened.
    .fix = Look whether its folder is there.
disk-silent = The disk does not answer as it should.
    .fix = Look whether it is there and sound.
file-unusable = The file cannot be used: { $error }.
    .fix = Look at it.

## turns

too-much-being-written = Too much is being written just now.
    .fix = Try again in a moment.

## aside

row-damaged = { $name } is damaged in the file and cannot be read.
    .fix = All else is as it was; mulvek verify names the row.

## lock

file-held = Another Mulvek has this kitchen’s file.
    .fix = Use that one, stop it, or name another folder with --data.
file-held-at = Another Mulvek has this kitchen’s file: it is at { $where }.
    .fix = Use that one, stop it, or name another folder with --data.
