/**
 * Further names of strength, conditioning, dance, floor work, mobility and rehabilitation (common practice, no source), collected before
 * the shelf was held against them: 77 of 100 were read then. `1`: one side at a time.
 */
export const FURTHER_NAMES = `
pike push-up |
hindu push-up |
dive bomber push-up |
spiderman push-up | 1
t push-up |
archer push-up | 1
clap push-up |
tricep push-up |
sphinx push-up |
scapular push-up |
push-up to side plank | 1
push-up plus |
negative push-up |
staggered push-up | 1
wide push-up |
diamond push-up |
hand release push-up |
shoulder tap |
plank shoulder taps |
plank up-down |
walking plank |
plank to down dog |
plank jack |
plank leg lift |
plank hip dip |
plank walkout |
bear plank |
bear crawl |
crab walk |
crab toe touch |
duck walk |
lateral bear crawl |
inchworm |
inchworm to push-up |
beast hold |
high plank |
forearm plank |
reverse plank |
long lever plank |
copenhagen plank | 1
side plank | 1
side plank dip | 1
side plank leg lift | 1
side plank rotation | 1
thread the needle | 1
superman |
superman hold |
swimmers |
back extension |
prone cobra |
prone Y raise |
prone T raise |
prone W raise |
hollow hold |
hollow rock |
dead bug |
v-up |
tuck up |
jackknife |
toe touch crunch |
bicycle crunch |
reverse crunch |
oblique crunch |
heel tap |
flutter kick |
scissor kick |
leg raise |
lying leg raise |
hip raise |
windshield wiper |
sit-up |
butterfly sit-up |
star crunch |
mountain climber |
cross-body mountain climber |
slow mountain climber |
spider climber |
burpee |
half burpee |
sprawl |
burpee broad jump |
burpee tuck jump |
squat thrust |
star jump |
jumping jack |
step jack |
seal jack |
half jack |
skater |
skater hop |
lateral shuffle |
high knees |
butt kicks |
fast feet |
tuck jump |
broad jump |
lateral bound |
frog jump |
pogo jump |
ankle hops |
jump lunge |
split jump |
squat jack |
pop squat |
in and out squat |
sumo squat pulse |
squat to calf raise |
prisoner squat |
cossack squat | 1
shrimp squat | 1
pistol squat | 1
lunge pulse | 1
curtsy lunge | 1
lateral lunge | 1
reverse lunge | 1
walking lunge |
reverse lunge to knee drive | 1
lunge with twist | 1
lunge and reach | 1
split squat | 1
single leg deadlift | 1
single leg glute bridge | 1
glute bridge march |
frog pump |
glute bridge |
donkey kick | 1
fire hydrant | 1
clamshell | 1
side lying leg raise | 1
inner thigh lift | 1
rainbow leg | 1
standing leg curl | 1
standing hip abduction | 1
standing hip extension | 1
calf raise |
single leg calf raise | 1
toe raise |
heel walk |
toe walk |
tip toe walk |
good morning |
bird dog | 1
cat cow |
child's pose |
downward dog |
cobra |
upward dog |
pigeon pose | 1
half kneeling hip flexor stretch | 1
world's greatest stretch | 1
figure four stretch | 1
supine twist | 1
knee to chest | 1
double knee to chest |
happy baby |
butterfly stretch |
frog stretch |
seated forward fold |
standing forward fold |
quad stretch | 1
standing quad stretch | 1
hamstring stretch | 1
lizard pose | 1
cross body shoulder stretch | 1
overhead triceps stretch | 1
side bend | 1
standing side stretch | 1
neck rotation |
neck tilt |
chin tuck |
shoulder roll |
shoulder shrug |
arm circle |
arm swing |
trunk rotation |
hip circle |
hip opener | 1
leg swing | 1
ankle circle | 1
wrist circle |
ankle pump |
box breathing |
belly breathing |
diaphragmatic breathing |
march on the spot |
jog on the spot |
running on the spot |
shadow boxing |
boxing jabs |
jab cross |
uppercut |
front kick | 1
side kick | 1
roundhouse kick | 1
knee strike | 1
grapevine |
step touch |
box step |
mambo |
cha cha |
pivot turn |
body roll |
jazz square |
hamstring curl step |
kick ball change |
chasse |
salsa step |
twist |
plie squat |
releve |
tendu | 1
passe | 1
arabesque | 1
first position plie |
second position plie |
tree pose | 1
warrior 1 | 1
warrior 2 | 1
warrior 3 | 1
triangle pose | 1
chair pose |
boat pose |
bridge pose |
camel pose |
crow pose |
savasana |
sun salutation |
goddess pose |
half moon pose | 1
the hundred |
roll up |
single leg circle | 1
rolling like a ball |
single leg stretch |
double leg stretch |
spine stretch forward |
swan dive |
side kick series | 1
teaser |
swimming |
mermaid stretch | 1
quad set | 1
straight leg raise | 1
heel slide | 1
short arc quad | 1
long arc quad | 1
pelvic tilt |
pelvic clock |
pelvic floor squeeze |
glute squeeze |
abdominal bracing |
transverse abdominis activation |
prone knee bend | 1
prone hip extension | 1
scapular squeeze |
scapular retraction |
pendulum swing | 1
shoulder flexion |
shoulder abduction |
wrist flexion |
wrist extension |
finger spread |
fist clench |
elbow flexion |
ankle dorsiflexion | 1
single leg balance | 1
tandem stance |
tandem walk |
heel to toe walk |
side step |
backward walk |
weight shift |
standing march |
log roll |
get up from the floor |
sprint |
hill sprint |
shuttle run |
run |
jog |
walk |
brisk walk |
power walk |
stride |
bounding |
a-skip |
b-skip |
carioca |
backpedal |
suicides |
sprint intervals |
stair climb |
handstand hold |
handstand push-up |
wall handstand |
wall walk |
wall push-up |
wall sit |
wall angel |
wall slide |
wall calf stretch | 1
l-sit |
planche lean |
cartwheel |
forward roll |
nordic curl |
reverse nordic |
chair dip |
triceps dip |
bench dip |
sit to stand |
chair stand |
seated march |
seated leg extension | 1
seated knee extension | 1
seated heel raise |
seated toe raise |
chair yoga twist | 1
seated cat cow |
seated spinal twist | 1
step-through |
bulgarian split squat | 1
elevated push-up |
incline push-up |
decline push-up |
chair pose with chair |
step up | 1
lateral step up | 1
step down | 1
step-up with knee drive | 1
heel drop |
dumbbell bench press |
dumbbell floor press |
dumbbell fly |
dumbbell pullover |
arnold press |
dumbbell shoulder press |
seated dumbbell press |
lateral raise |
front raise |
rear delt fly |
reverse fly |
upright row |
bent over dumbbell row |
renegade row |
single arm dumbbell row | 1
chest supported row |
kroc row | 1
dumbbell deadlift |
dumbbell romanian deadlift |
dumbbell squat |
dumbbell front squat |
dumbbell thruster |
devil press |
man maker |
dumbbell snatch | 1
single arm dumbbell snatch | 1
dumbbell clean |
dumbbell hang clean |
dumbbell clean and press |
dumbbell push press |
dumbbell lunge | 1
dumbbell walking lunge |
dumbbell step up | 1
dumbbell split squat | 1
dumbbell swing |
dumbbell curl |
hammer curl |
concentration curl | 1
zottman curl |
incline curl |
skull crusher |
overhead tricep extension |
tricep kickback |
dumbbell shrug |
farmer's carry |
suitcase carry | 1
suitcase deadlift | 1
overhead carry |
waiter carry | 1
dumbbell side bend | 1
dumbbell hip thrust |
dumbbell calf raise |
cuban press |
z press |
bradford press |
svend press |
tate press |
spider curl |
dumbbell goblet squat |
goblet lunge | 1
kettlebell swing |
single arm kettlebell swing | 1
kettlebell clean | 1
kettlebell snatch | 1
kettlebell press | 1
kettlebell clean and press | 1
kettlebell high pull |
kettlebell goblet squat |
kettlebell deadlift |
kettlebell sumo deadlift |
kettlebell halo |
turkish get-up | 1
half get-up | 1
kettlebell windmill | 1
kettlebell row | 1
gorilla row |
kettlebell figure eight |
kettlebell thruster |
kettlebell rack squat |
bottoms-up press | 1
kettlebell rack carry |
kettlebell pullover |
sumo deadlift high pull |
kettlebell around the world |
back squat |
front squat |
overhead squat |
box squat |
zercher squat |
pause squat |
barbell deadlift |
conventional deadlift |
sumo deadlift |
romanian deadlift |
stiff leg deadlift |
deficit deadlift |
rack pull |
barbell row |
pendlay row |
bench press |
close grip bench press |
incline bench press |
military press |
strict press |
push press |
push jerk |
split jerk |
clean and jerk |
power clean |
hang clean |
squat clean |
power snatch |
hang snatch |
clean pull |
snatch pull |
barbell hip thrust |
barbell glute bridge |
barbell lunge | 1
landmine press | 1
landmine row |
landmine squat |
landmine rotation |
barbell curl |
preacher curl |
jefferson curl |
t-bar row |
barbell shrug |
barbell thruster |
cluster |
muscle snatch |
barbell good morning |
floor press |
barbell calf raise |
barbell rollout |
band pull-apart |
band row |
band face pull |
banded squat |
banded glute bridge |
banded clamshell | 1
monster walk |
lateral band walk |
banded side step |
band bicep curl |
band tricep pushdown |
band chest press |
band overhead press |
band lat pulldown |
band external rotation | 1
band internal rotation | 1
banded good morning |
pallof press | 1
band woodchop | 1
banded kickback | 1
band ankle eversion | 1
band ankle inversion | 1
band dorsiflexion | 1
banded hip flexion | 1
banded march |
banded dead bug |
band dislocate |
pull-up |
chin-up |
negative pull-up |
assisted pull-up |
kipping pull-up |
chest to bar |
muscle-up |
toes to bar |
knees to elbow |
hanging knee raise |
hanging leg raise |
dead hang |
active hang |
scap pull-up |
l-sit pull-up |
commando pull-up |
neutral grip pull-up |
wide grip pull-up |
archer pull-up | 1
inverted row |
ring row |
ring dip |
bar dip |
ring push-up |
wall ball |
ball slam |
medicine ball slam |
medicine ball chest pass |
rotational throw | 1
med ball squat |
overhead ball throw |
stability ball crunch |
stability ball hamstring curl |
stability ball pike |
ball squeeze |
wall squat with ball |
row |
rowing machine |
bike |
treadmill run |
elliptical |
lat pulldown |
cable row |
seated row |
leg press |
leg extension |
leg curl |
hack squat |
cable crossover |
cable fly |
triceps pushdown |
cable face pull |
chest press machine |
hip abduction machine |
hip adduction machine |
back extension machine |
pec deck |
cable woodchop | 1
cable kickback | 1
sled push |
sled pull |
prowler push |
skipping |
jump rope |
double under |
battle rope slams |
battle rope waves |
box jump |
box jump over |
box step-up | 1
depth jump |
ab wheel rollout |
foam roll quads | 1
foam roll back |
foam roll calves | 1
slider lunge | 1
slider hamstring curl |
slider mountain climber |
towel row |
towel slide |
suspension row |
sandbag carry |
sandbag clean |
sandbag squat |
tyre flip |
rope climb |
hurdle hop |
ladder drill |
cone drill |
wobble board balance |
`;
