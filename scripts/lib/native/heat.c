/* The heat kernel once more, in C: a section of soap for so many seconds. Reads its numbers, prints seconds taken and results. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#define MAX(a, b) ((a) > (b) ? (a) : (b))
#define MIN(a, b) ((a) < (b) ? (a) : (b))

static double next_number(void) {
  double value;
  if (scanf("%lf", &value) != 1) exit(2);
  return value;
}

static double *numbers(int count) {
  double *list = calloc(count, sizeof *list);
  for (int i = 0; i < count; i += 1) list[i] = next_number();
  return list;
}

static double *zeros(int count) { return calloc(count, sizeof(double)); }

/* One material; the same constants as in core, handed over. */
static double keep, heat, gel_heat, holds, conducts, gel_c, coldest_c, k_soap, k_gel, seed, quickens, tau, slope, needs;
static int nodes, soap_steps, hysteresis, per_k;
static double *table, *soap, *browning;

static int nx, ny, n;
static double dx, dy, length_m, theta = 0.55;
static double *T, *X, *g, *gmax, *margin, *hottest, *gelled_at, *dose, *before, *source, *k, *kx, *ky, *capacity, *d, *c;
static int is_stale = 1;
static double made, lost, kept, now_s, step_s = 5, last_step, moved;

typedef struct {
  double facing, r1, capacity, r2, outer, under, length_m, depth, scale, g2, surround;
  int count, *cells;
  double *wall, *g1, *ge, *te;
} Line;
static Line side, top, bottom;
static double room_c, losses, emissivity, boltzmann, zero_c, end_film;

static double outer_film(const Line *line, double surface) {
  double free_air = line->facing * pow(MAX(0.3, fabs(surface - room_c)) / line->length_m, 0.25);
  double mean = (surface + room_c) / 2 + zero_c;
  return MAX(free_air, 0) + emissivity * 4 * boltzmann * mean * mean * mean;
}

static double outwards(const Line *line, double h) {
  return losses / (line->r2 + line->under / line->outer + 1 / (h * line->outer));
}

static void warmth(Line *line, double dt) {
  double mean = 0;
  for (int j = 0; j < line->count; j += 1) mean += line->wall[j];
  mean /= line->count;
  double first = outer_film(line, mean);
  double share = line->g2 > 0 ? MIN(1, line->g2 / (first * line->outer)) : 1;
  line->surround = room_c;
  line->g2 = outwards(line, outer_film(line, room_c + (mean - room_c) * share));
  double cw = line->capacity / dt;
  for (int j = 0; j < line->count; j += 1) {
    double g1 = 1 / (line->r1 + 0.5 * line->depth / k[line->cells[j]]);
    line->g1[j] = g1;
    line->ge[j] = g1 * (cw + line->g2) / (cw + g1 + line->g2);
    line->te[j] = (cw * line->wall[j] + line->g2 * line->surround) / (cw + line->g2);
  }
}

static void pull(Line *line, double dt) {
  for (int j = 0; j < line->count; j += 1)
    d[line->cells[j]] += dt * line->scale * line->ge[j] * (line->te[j] - T[line->cells[j]]);
}

static double at_wall(Line *line, double dt, int is_last) {
  double sum = 0, cw = line->capacity / dt;
  for (int j = 0; j < line->count; j += 1) {
    int i = line->cells[j];
    double stage = T[i] + (is_last ? 0 : d[i] / capacity[i]);
    sum += line->ge[j] * (stage - line->te[j]);
    line->wall[j] = (cw * line->wall[j] + line->g1[j] * stage + line->g2 * line->surround) / (cw + line->g1[j] + line->g2);
  }
  return sum * dt * line->scale * dx * dy;
}

#define END_CELLS 32
static double phi[END_CELLS], end_sweep[END_CELLS], end_wall;

static double end_sink(double dt) {
  double dz = length_m / 2 / END_CELLS, conduct = conducts + k_soap;
  double inner = dt * conduct / (holds * dz * dz);
  double g1 = 1 / (side.r1 + 0.5 * dz / conduct), g2 = outwards(&side, end_film), cw = side.capacity / dt;
  double ge = g1 * (cw + g2) / (cw + g1 + g2), te = cw * end_wall / (cw + g2), out = dt * ge / (holds * dz);
  double was = phi[0];
  for (int i = 0; i < END_CELLS; i += 1) {
    double left = i > 0 ? inner : 0, right = i < END_CELLS - 1 ? inner : 0;
    int is_end = i == END_CELLS - 1;
    double diagonal = 1 + left + right + (is_end ? out : 0) + (i > 0 ? left * end_sweep[i - 1] : 0);
    double value = phi[i] + (is_end ? out * te : 0) + (i > 0 ? left * phi[i - 1] : 0);
    end_sweep[i] = -right / diagonal;
    phi[i] = value / diagonal;
  }
  for (int i = END_CELLS - 2; i >= 0; i -= 1) phi[i] -= end_sweep[i] * phi[i + 1];
  end_wall = (cw * end_wall + g1 * phi[END_CELLS - 1]) / (cw + g1 + g2);
  return MAX(0, (was - phi[0]) / (dt * phi[0]));
}

static double gel_by_soap(double converted) {
  double at = converted * soap_steps;
  int i = (int)at;
  return soap[i] + (soap[i + 1] - soap[i]) * (at - i);
}

static double browning_at(double at_c) {
  double at = MIN((at_c - coldest_c) * per_k, nodes - 2);
  int i = (int)at;
  return browning[i] + (browning[i + 1] - browning[i]) * (at - i);
}

static double react(double dt, double ahead) {
  double most = 0, most_gel = 0, decay = exp(-dt / tau), last = nodes - hysteresis - 2;
  for (int i = 0; i < n; i += 1) {
    double t = T[i] + (T[i] - before[i]) * ahead, x = X[i], gel = g[i], highest = gmax[i];
    if (x > 0.9999 && gel < 1e-4 && t < gel_c - 26) {
      source[i] = 0;
      capacity[i] = holds * (1 + slope * (t - 50));
      continue;
    }
    double node = MIN(MAX((t - coldest_c) * per_k, 0), last);
    int whole = (int)node;
    double part = node - whole;
    int at = 4 * whole;
    double speed = dt * (table[at] + part * table[at + 1]) * (1 + quickens * gel);
    double mid = MIN(1, x + 0.5 * speed * (seed + x) * (1 - x) * (1 - keep * x));
    double now = MIN(1, x + speed * (seed + mid) * (1 - mid) * (1 - keep * mid));
    int warm = (highest > 0.5 ? at + 4 * hysteresis : at) + 2;
    double goal = (table[warm] + part * table[warm + 1]) * gel_by_soap(now);
    double after = goal + (gel - goal) * decay;
    source[i] = heat * (now - x) - gel_heat * (after - gel);
    capacity[i] = holds * (1 + slope * (t - 50));
    if (now - x > most) most = now - x;
    if (fabs(after - gel) > most_gel) most_gel = fabs(after - gel);
    X[i] = now;
    g[i] = after;
    if (after > highest) {
      gmax[i] = after;
      if (after > 0.5 && highest <= 0.5) gelled_at[i] = now_s + dt;
    }
  }
  moved += k_soap * most + k_gel * most_gel;
  if (moved > 0.001) is_stale = 1;
  if (is_stale) {
    moved = 0;
    for (int i = 0; i < n; i += 1) k[i] = conducts + k_soap * X[i] + k_gel * g[i];
  }
  return most;
}

static void conductances(void) {
  for (int row = 0; row < n; row += nx)
    for (int i = row + 1; i < row + nx; i += 1) kx[i] = 2 * k[i - 1] * k[i] / (k[i - 1] + k[i]) / (dx * dx);
  for (int i = nx; i < n; i += 1) ky[i] = 2 * k[i - nx] * k[i] / (k[i - nx] + k[i]) / (dy * dy);
}

static double sweep_across(double dt, double lambda) {
  double th = theta * dt, sink = dt * lambda, wall = dt * side.scale, drawn = 0;
  for (int line = 0; line < ny; line += 1) {
    int row = line * nx, below = line == 0 ? 0 : nx, above = line == ny - 1 ? 0 : nx;
    double ratio = 0, last = 0, inward = 0;
    for (int x = 0; x < nx; x += 1) {
      int i = row + x;
      double holds = capacity[i], t = T[i], to_next = kx[i + 1];
      double outward = x + 1 < nx ? to_next * (T[i + 1] - t) : 0;
      double flux = outward - inward;
      inward = outward;
      flux += ky[i + above] * (T[i + above] - t) - ky[i] * (t - T[i - below]);
      double a = th * kx[i], b = th * to_next;
      double own = holds + sink * holds + a + b + (x + 1 < nx ? 0 : wall * side.ge[line]);
      double over = 1 / (own - a * ratio);
      ratio = b * over;
      last = (d[i] + source[i] + dt * flux - sink * holds * (t - room_c) + a * last) * over;
      c[i] = ratio;
      d[i] = last;
    }
    double next = 0;
    for (int i = row + nx - 1; i >= row; i -= 1) {
      next = d[i] + c[i] * next;
      drawn += sink * capacity[i] * (T[i] + next - room_c);
      d[i] = capacity[i] * next;
    }
  }
  return drawn;
}

static void sweep_up(double dt) {
  double th = theta * dt, below = dt * bottom.scale, above = dt * top.scale;
  for (int j = 0; j < nx; j += 1) {
    double b = th * ky[j + nx], over = 1 / (capacity[j] + b + below * bottom.ge[j]);
    c[j] = b * over;
    d[j] *= over;
  }
  for (int y = 1; y < ny; y += 1)
    for (int j = 0; j < nx; j += 1) {
      int i = y * nx + j;
      double a = th * ky[i], b = th * ky[i + nx];
      double over = 1 / (capacity[i] + a + b + (y == ny - 1 ? above * top.ge[j] : 0) - a * c[i - nx]);
      c[i] = b * over;
      d[i] = (d[i] + a * d[i - nx]) * over;
    }
}

static double take(double dt) {
  double hours = dt / 3600, most = 0, sum_made = 0, sum_kept = 0;
  for (int i = n - 1; i >= 0; i -= 1) {
    double change = d[i] + c[i] * d[i + nx];
    d[i] = change;
    sum_made += source[i];
    sum_kept += capacity[i] * change;
    before[i] = T[i];
    double t = T[i] + change;
    T[i] = t;
    double size = fabs(change);
    if (size > most) most = size;
    if (change > 0 || margin[i] == -99) {
      if (t > hottest[i]) hottest[i] = t;
      if (X[i] > needs && t - gel_c > margin[i]) margin[i] = t - gel_c;
    }
    if (t > 45) dose[i] += hours * browning_at(t);
  }
  made += sum_made * dx * dy;
  kept += sum_kept * dx * dy;
  return most;
}

static void step(double dt, double *dT, double *dX) {
  double ahead = last_step > 0 ? 0.5 * dt / last_step : 0;
  *dX = react(dt, ahead);
  if (is_stale) conductances();
  is_stale = 0;
  warmth(&side, dt), warmth(&top, dt), warmth(&bottom, dt);
  double lambda = end_sink(dt);
  memset(d, 0, (n + nx) * sizeof *d);
  pull(&side, dt), pull(&top, dt), pull(&bottom, dt);
  lost += sweep_across(dt, lambda) * dx * dy;
  lost += at_wall(&side, dt, 0);
  sweep_up(dt);
  *dT = take(dt);
  lost += at_wall(&bottom, dt, 1) + at_wall(&top, dt, 1);
  now_s += dt;
  last_step = dt;
}

static void run(double until) {
  while (now_s < until - 1e-6) {
    double dT, dX, dt = MIN(step_s, until - now_s);
    step(dt, &dT, &dX);
    double factor = MIN(1.3, MAX(0.4, 0.9 / MAX(MAX(dT, dX / 0.015), 1e-9)));
    if (dt >= step_s - 1e-9) step_s = MIN(600, MAX(2, dt * factor));
  }
}

static void read_line(Line *line, int count, double depth, int first, int stride, double start_c) {
  line->facing = next_number(), line->r1 = next_number(), line->capacity = next_number(), line->r2 = next_number();
  line->outer = next_number(), line->under = next_number(), line->length_m = next_number();
  line->depth = depth, line->scale = 1 / depth, line->count = count, line->surround = start_c;
  line->cells = calloc(count, sizeof(int));
  line->wall = zeros(count), line->g1 = zeros(count), line->ge = zeros(count), line->te = zeros(count);
  for (int j = 0; j < count; j += 1) line->cells[j] = first + j * stride, line->wall[j] = start_c;
}

int main(void) {
  nx = next_number(), ny = next_number(), n = nx * ny;
  dx = next_number() / nx, dy = next_number() / ny, length_m = next_number();
  double start_c = next_number(), start_x = next_number(), until = next_number(), piece = next_number();
  room_c = next_number(), losses = next_number(), emissivity = next_number(), boltzmann = next_number();
  zero_c = next_number(), end_film = next_number();
  keep = next_number(), heat = next_number(), gel_heat = next_number(), holds = next_number(), conducts = next_number();
  gel_c = next_number(), coldest_c = next_number(), k_soap = next_number(), k_gel = next_number(), seed = next_number();
  quickens = next_number(), tau = next_number(), slope = next_number(), needs = next_number();
  read_line(&side, ny, dx, nx - 1, nx, room_c);
  read_line(&top, nx, dy, n - nx, 1, room_c);
  read_line(&bottom, nx, dy, 0, 1, room_c);
  per_k = next_number(), hysteresis = next_number(), nodes = next_number(), soap_steps = next_number();
  table = numbers(4 * nodes), soap = numbers(soap_steps + 2), browning = numbers(nodes);
  T = zeros(n), X = zeros(n), g = zeros(n), gmax = zeros(n), margin = zeros(n), hottest = zeros(n), gelled_at = zeros(n);
  dose = zeros(n), before = zeros(n), source = zeros(n), k = zeros(n), kx = zeros(n + 1), ky = zeros(n + nx);
  capacity = zeros(n), d = zeros(n + nx), c = zeros(n);
  for (int i = 0; i < n; i += 1) T[i] = before[i] = hottest[i] = start_c, X[i] = start_x, margin[i] = -99, gelled_at[i] = -1;
  for (int i = 0; i < END_CELLS; i += 1) phi[i] = 1;
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  while (now_s < until - 1e-6) run(MIN(until, now_s + piece));
  clock_gettime(CLOCK_MONOTONIC, &to);
  double sum = 0;
  for (int i = 0; i < n; i += 1) sum += T[i] + hottest[i] + margin[i] + dose[i];
  printf("%.9f %.12g %.12g\n", to.tv_sec - from.tv_sec + 1e-9 * (to.tv_nsec - from.tv_nsec), sum / n, made);
  return 0;
}
