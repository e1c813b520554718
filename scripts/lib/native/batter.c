/*
 * The batter model once more, in C, as a yardstick for speed: the same steps over the same cups as scripts/bench.mjs.
 * Numbers come on standard input: count of cups, the recipe, the scent, then solid fat from 0 to 100 degrees by halves.
 * It prints seconds taken and the sum of all levels, which must agree with the other side.
 */
#include <math.h>
#include <stdio.h>
#include <time.h>

#define A_C 0.0053
#define A_S 0.1
#define TABLE 1601

typedef struct { double emulsion, converted, structure, solid, jump, c; } Batter;
typedef struct { double ln_rate, free_acid, stearic, ln_viscosity, thickening, ln_viscosity40, lye_share, rise; } Recipe;
typedef struct { double ln_rate, gain, build, jump, luck; } Load;
typedef struct { double rate, emulsify, breakdown, reach; int rest, blender; } Handling;

static double theta_table[TABLE], solid_table[202];

static double theta_of(double a) {
  return (1 - A_C / A_S) / (1 + A_C) * log(1 + a / A_C) - (1 + 1 / A_S) / (1 + A_C) * log(1 - a);
}

static void make_table(void) {
  for (int i = 0; i < TABLE; i++) {
    double low = 0, high = 1 - 1e-12;
    for (int n = 0; n < 60; n++) {
      double a = (low + high) / 2;
      if (theta_of(a) < i * 0.01) low = a; else high = a;
    }
    theta_table[i] = log(1 + low / A_C);
  }
}

static double conversion_at(double theta) {
  double at = fmin(fmax(theta, 0), 16 - 1e-9) / 0.01;
  int i = (int)at;
  double z = theta_table[i] + (at - i) * (theta_table[i + 1] - theta_table[i]);
  return fmin(0.999, A_C * (exp(z) - 1));
}

static double solid_at(double c) {
  int step = (int)(c * 2);
  double part = c * 2 - step;
  return solid_table[step] * (1 - part) + solid_table[step + 1] * part;
}

static double emulsion_after(double e, const Recipe *r, const Handling *h, double soap, double seconds) {
  if (h->emulsify == 0) {
    if (!h->rest || e >= 0.78) return e;
    return e * exp(-seconds / 150 * (0.78 - e) / 0.78 * exp(-soap / 0.006));
  }
  if (e > 0.99999) return e;
  double quick = h->emulsify * (1 + 40 * r->free_acid + 30 * fmin(r->stearic, 0.02));
  if (h->blender) return 1 - (1 - e) * exp(-quick * seconds);
  double reach = h->reach + (1 - h->reach) * (1 - exp(-soap / 0.008));
  double open = fmin(1, fmax(0, reach - e) / fmax(1e-9, 1 - e) + e * e * e * e);
  return 1 - (1 - e) * exp(-quick * open * seconds);
}

/* Recipes without solid fatty acid and powders, and batters that do not set: what both sides work here. */
static void step(Batter *b, const Recipe *r, const Load *l, const Handling *h, double seconds, double room, double tau) {
  double soap = b->converted, emulsion = emulsion_after(b->emulsion, r, h, soap, seconds);
  double mid = (b->emulsion + emulsion) / 2;
  double apart = (1 - mid * mid) * exp(-(soap / 0.055) * (soap / 0.055));
  double k = 0.0059 * exp(-44000 / 8.314 * (1 / (b->c + 273.15) - 1 / 311.15));
  double rate = k * exp(r->ln_rate + l->ln_rate + l->luck) * h->rate * (1 - apart);
  double converted = fmax(b->converted, conversion_at(theta_of(b->converted) + rate * seconds));
  b->c += r->rise * (converted - b->converted);
  if (tau > 0) b->c = room + (b->c - room) * exp(-seconds / tau);
  b->c = fmin(100, fmax(0, b->c));
  double build = l->build / 90, turnover = build + h->breakdown, settled = build / turnover;
  b->structure = settled + (b->structure - settled) * exp(-turnover * seconds);
  double goal = solid_at(b->c), slow = goal > b->solid ? (h->rest ? 600 : 240) : 60;
  b->solid = goal + (b->solid - goal) * exp(-seconds / slow);
  b->jump = l->jump + (b->jump - l->jump) * exp(-seconds / 8);
  b->emulsion = emulsion;
  b->converted = converted;
}

static const double ANCHORS[] = {0.05, 0.12, 0.5, 2.5, 12, 80};
static double ln_anchor[6];

static double level(const Batter *b, const Recipe *r, const Load *l) {
  double soap = r->thickening * b->converted + 3.5 * r->stearic;
  double ln_eta = r->ln_viscosity40 + 3500 * (1 / (b->c + 273.15) - 1 / 313.15) - 1.85 * log(1 - r->lye_share / 0.74) +
                   log(1 + 0.65 * b->emulsion) + 19.5 * pow(soap, 0.81) + 40 * b->solid / (1 + b->solid / 0.25) + b->jump +
                   r->ln_viscosity + 0.95 * (1 - exp(-soap / 0.04)) * l->gain * b->structure;
  double of = 5;
  if (ln_eta <= ln_anchor[1]) of = 1;
  else if (ln_eta < ln_anchor[5]) {
    int i = 1;
    while (i < 4 && ln_eta > ln_anchor[i + 1]) i++;
    of = i + (ln_eta - ln_anchor[i]) / (ln_anchor[i + 1] - ln_anchor[i]);
  }
  return fmin(5, fmin(1, b->emulsion / 0.85) + of - 1);
}

int main(void) {
  int cups;
  Recipe r;
  Load scented;
  double start, power;
  if (scanf("%d %lf %lf %lf %lf %lf %lf %lf %lf %lf", &cups, &r.ln_rate, &r.free_acid, &r.stearic, &r.ln_viscosity,
            &r.thickening, &r.ln_viscosity40, &r.lye_share, &r.rise, &start) != 10) return 1;
  if (scanf("%lf %lf %lf %lf %lf", &power, &scented.ln_rate, &scented.gain, &scented.build, &scented.jump) != 5) return 1;
  for (int i = 0; i < 202; i++) if (scanf("%lf", &solid_table[i]) != 1) return 1;
  make_table();
  for (int i = 0; i < 6; i++) ln_anchor[i] = log(ANCHORS[i]);
  Handling stick = {19 * power, 0.088 * power, 2, 1, 0, 1}, hand = {1, 1.0 / 300, 0.4, 0.16, 0, 0}, rest = {0.44, 0, 0, 0, 1, 0};
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  double sum = 0;
  for (int n = 0; n < cups; n++) {
    Load plain = {0, 1, 1, 0, (n % 21 - 10) * 0.05}, load = scented;
    load.luck = plain.luck;
    Batter b = {0, r.free_acid, 0, solid_at(start), 0, start};
    for (int s = 0; s < 30; s++) { step(&b, &r, &plain, &stick, 1, 0, 0); sum += level(&b, &r, &plain); }
    b.structure = 0.1;
    for (int s = 0; s < 12; s++) { step(&b, &r, &load, &hand, 5, 21, 2900); sum += level(&b, &r, &load); }
    for (int s = 0; s < 20; s++) { step(&b, &r, &load, &rest, 30, 21, 2900); sum += level(&b, &r, &load); }
  }
  clock_gettime(CLOCK_MONOTONIC, &to);
  printf("%.9f %.9f\n", (to.tv_sec - from.tv_sec) + (to.tv_nsec - from.tv_nsec) / 1e9, sum);
  return 0;
}
