/* The loop of tenRules.ts by hand, in C: what the machine under it can do. Reads columns of doubles, prints the sum and the seconds of the
   quickest of three runs. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#define STEP_S 10.0
#define STEPS_A_WEEK 60480
static double week[10080];

static double max(double a, double b) { return a > b ? a : b; }
static double min(double a, double b) { return a < b ? a : b; }

static double loop(const double *temps, const double *damps, const double *lights, const double *boosts, const double *doors, long steps) {
  static double times[512], lows[512];
  int head = 0, held = 0, surging = 0, night = 0, looked_at = 0, armed = 0, dry = 0, boost_on = 0, door_on = 0, was_asked = 0;
  double now_s = 0, base = 0, surge_for_s = 0, dark_for_s = -1, dry_for_s = 300, boost_for_s = 0, boost_left_s = 0, door_left_s = 0;
  double phase_s = 0, after_left_s = 0, kick_left_s = 0, kicked_from = 0, on_left_s = 0, last_pct = 0, sum = 0;
  for (long index = 0; index < steps; index++) {
    double dt = index == 0 ? 0 : STEP_S, x = temps[index], rh = damps[index];
    int dark = lights[index] < 200, boost = boosts[index] > 0, door = doors[index] > 0;
    if (!looked_at) {
      looked_at = 1;
      night = dark;
    } else if (dark == night) dark_for_s = -1;
    else {
      dark_for_s = dark_for_s < 0 ? 0 : dark_for_s + dt;
      if (dark_for_s >= 120) {
        night = dark;
        dark_for_s = -1;
      }
    }
    double asked = 0;
    if (night) asked = x >= 26 ? 80 : x >= 17 ? 20 + ((x - 17) * 60) / 9 : 0;
    else asked = x >= 28 ? 100 : x >= 20 ? 20 + (x - 20) * 10 : 20;
    asked = max(asked, rh >= 90 ? 85 : rh >= 70 ? 20 + ((rh - 70) * 65) / 20 : 0);
    dry_for_s += dt;
    int wants_dry = rh >= 85 || (dry && rh > 80);
    if (wants_dry != dry && dry_for_s >= 300) {
      dry = wants_dry;
      dry_for_s = 0;
    }
    if (dry) asked = max(asked, 75);
    now_s += dt;
    if (surging) {
      surge_for_s += dt;
      if (rh <= base + 3 || surge_for_s >= 1800) {
        surging = 0;
        held = 0;
      }
    }
    while (held > 0 && now_s - times[head] > 300) {
      head = (head + 1) & 511;
      held--;
    }
    while (held > 0 && lows[(head + held - 1) & 511] >= rh) held--;
    times[(head + held) & 511] = now_s;
    lows[(head + held) & 511] = rh;
    held++;
    if (!surging && rh - lows[head] >= 8) {
      surging = 1;
      base = lows[head];
      surge_for_s = 0;
    }
    if (surging) asked = max(asked, 80);
    int had_started = boost_on && boost_for_s >= 60;
    if (boost_on) boost_for_s += dt;
    if (!had_started) boost_left_s = max(0, boost_left_s - dt);
    if (!boost && boost_on && boost_for_s >= 60) boost_left_s = min(900, max(120, boost_left_s + boost_for_s));
    if (!boost || !boost_on) boost_for_s = 0;
    boost_on = boost;
    if ((boost && boost_for_s >= 60) || boost_left_s > 0) asked = max(asked, 70);
    if (!door_on) door_left_s = max(0, door_left_s - dt);
    if (!door && door_on) door_left_s = 300;
    door_on = door;
    if (door || door_left_s > 0) asked = max(asked, 60);
    asked = max(asked, week[(long)(index % STEPS_A_WEEK * STEP_S) / 60]);
    phase_s = fmod(phase_s + dt, 600);
    if (phase_s < 60) asked = max(asked, 40);
    after_left_s = max(0, after_left_s - dt);
    if (x > 30) {
      armed = 1;
      after_left_s = 0;
    } else if (armed) {
      armed = 0;
      after_left_s = 900;
    }
    if (armed || after_left_s > 0) asked = max(asked, 65);
    int rule_asked = asked > 0;
    if (rule_asked) {
      asked = max(asked, 20);
      last_pct = asked;
      on_left_s = 0;
    } else {
      on_left_s = was_asked ? 120 : max(0, on_left_s - dt);
      asked = on_left_s > 0 ? last_pct : 20;
    }
    was_asked = rule_asked;
    double pct = min(asked, 90);
    if (x <= 12) pct = max(20, pct - 10);
    pct = pct >= 100 ? 100 : ceil(pct / 5 - 1e-9) * 5;
    if (kicked_from == 0) kick_left_s = 5;
    else if (kick_left_s > 0) kick_left_s -= dt;
    if (kick_left_s > 0) pct = max(pct, 100);
    kicked_from = pct;
    sum += pct + min(100, max(16, ceil((0.8 * pct) / 5 - 1e-9) * 5));
  }
  return sum;
}

int main(int count, char **arguments) {
  if (count != 3) return 2;
  long steps = atol(arguments[2]);
  double *columns = malloc(5 * steps * sizeof(double));
  FILE *file = fopen(arguments[1], "rb");
  if (!columns || !file || fread(columns, sizeof(double), 5 * steps, file) != (size_t)(5 * steps)) return 1;
  for (int day = 0; day < 5; day++)
    for (int minute = 360; minute < 480; minute++) week[day * 1440 + minute] = 50;
  double sum = 0, quickest = 1e9;
  for (int run = 0; run < 3; run++) {
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    sum = loop(columns, columns + steps, columns + 2 * steps, columns + 3 * steps, columns + 4 * steps, steps);
    clock_gettime(CLOCK_MONOTONIC, &to);
    quickest = min(quickest, (to.tv_sec - from.tv_sec) + (to.tv_nsec - from.tv_nsec) * 1e-9);
  }
  printf("%.17g %.6f\n", sum, quickest);
  return 0;
}
