/* The same first-pass chain as a plain C loop with libm: what scalar code can do on this machine, beside which ours is measured.
   Geometry computed: the sun's position from its series at every step. Geometry cached: sun vectors read from memory. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define RAD 0.017453292519943295

typedef struct { double east, north, up; } Vec;

static Vec sun(double utc_ms, double sin_lat, double cos_lat, double lon_rad) {
  double t = (utc_ms + 69000.0 + 2209032000000.0) / (36525.0 * 86400000.0);
  double L = 279.69668 + t * (36000.76892 + t * 0.0003025);
  double M = 358.47583 + t * (35999.04975 - t * (0.00015 + t * 0.0000033));
  double C = (1.91946 - t * 0.004789) * sin(M * RAD) + 0.020094 * sin(2 * M * RAD) + 0.000293 * sin(3 * M * RAD);
  double P = 0.00134 * cos((153.23 + 22518.7541 * t) * RAD) + 0.00154 * cos((216.57 + 45037.5082 * t) * RAD) +
             0.002 * cos((312.69 + 32964.3577 * t) * RAD) + 0.00179 * sin((350.74 + 445267.1142 * t) * RAD) +
             0.00178 * sin((231.19 + 20.2 * t) * RAD);
  double node = 259.183275 - 1934.142 * t;
  double dpsi = -0.00479 * sin(node * RAD) - 0.00035 * sin(2 * L * RAD);
  double lambda = (L + C + P + dpsi - 0.00569) * RAD;
  double eps = (23.452294 - t * 0.0130125 + 0.00256 * cos(node * RAD) + 0.00015 * cos(2 * L * RAD)) * RAD;
  double sl = sin(lambda), ra = atan2(cos(eps) * sl, cos(lambda)), dec = asin(sin(eps) * sl);
  double days = (utc_ms - 946728000000.0) / 86400000.0;
  double h = (280.46061837 + 360.98564736629 * days) * RAD + dpsi * RAD * cos(eps) + lon_rad - ra;
  double cd = cos(dec), sd = sin(dec), ts = cd * cos(h);
  Vec v = { -cd * sin(h), sd * cos_lat - ts * sin_lat, sd * sin_lat + ts * cos_lat - 4.26e-5 };
  return v;
}

static double erbs(double kt) {
  if (kt <= 0.22) return 1 - 0.09 * kt;
  if (kt <= 0.8) return 0.9511 + kt * (-0.1604 + kt * (4.388 + kt * (-16.638 + kt * 12.336)));
  return 0.165;
}

static double step(Vec s, Vec plane, double ghi, double air, double wind, double i0) {
  double ci = plane.east * s.east + plane.north * s.north + plane.up * s.up;
  double dhi = ghi, dni = 0;
  if (s.up > 0 && ghi > 0) {
    dhi = ghi * erbs(ghi / (i0 * s.up));
    dni = (ghi - dhi) / s.up;
    if (dni > i0) { dni = i0; dhi = ghi - i0 * s.up; }
  }
  double pos = ci > 0 ? ci : 0, a = dni / i0;
  double dir = dni * pos + dhi * a * pos / (s.up > 0.01745 ? s.up : 0.01745);
  double sky = dhi * (1 - a) * (1 + plane.up) / 2, gnd = ghi * 0.2 * (1 - plane.up) / 2;
  double poa = dir + sky + gnd;
  if (!(poa > 0)) return 0;
  double iam = pos > 0 ? (1 - exp(-pos / 0.16)) / (1 - exp(-1 / 0.16)) : 0;
  double p = 60 * poa * 0.98 * (dir * iam + sky * 0.95 + gnd * 0.8) / poa;
  double g = log(p / 60000.0);
  p *= 1 + g * (-0.017237 - 0.040465 * g);
  p *= 1 - 0.0036 * (air + poa / (25 + 6.84 * wind) - 25);
  p *= 0.97 * 0.99 * 0.985 * 0.972;
  if (p > 43000) p = 43000;
  return p * 0.995;
}

static double now(void) { struct timespec t; clock_gettime(CLOCK_MONOTONIC, &t); return t.tv_sec * 1e9 + t.tv_nsec; }

int main(void) {
  enum { N = 8760, ROUNDS = 60 };
  double *ghi = malloc(N * 8), *air = malloc(N * 8), *wind = malloc(N * 8), *out = malloc(N * 8);
  Vec *cache = malloc(N * sizeof(Vec));
  double lat = 37.1 * RAD, lon = -2.3 * RAD, sl = sin(lat), cl = cos(lat), start = 1672531200000.0, sum = 0;
  Vec plane = { 0, -sin(10 * RAD), cos(10 * RAD) };
  for (int i = 0; i < N; i++) {
    cache[i] = sun(start + (i + 0.5) * 3600000.0, sl, cl, lon);
    ghi[i] = cache[i].up > 0 ? 1361 * cache[i].up * 0.7 : 0;
    air[i] = 18; wind[i] = 2;
  }
  double best_computed = 1e30, best_cached = 1e30;
  for (int r = 0; r < ROUNDS; r++) {
    double t0 = now();
    for (int i = 0; i < N; i++) out[i] = step(sun(start + (i + 0.5) * 3600000.0, sl, cl, lon), plane, ghi[i], air[i], wind[i], 1361);
    double t1 = now();
    for (int i = 0; i < N; i++) sum += out[i];
    double t2 = now();
    for (int i = 0; i < N; i++) out[i] = step(cache[i], plane, ghi[i], air[i], wind[i], 1361);
    double t3 = now();
    for (int i = 0; i < N; i++) sum += out[i];
    if (t1 - t0 < best_computed) best_computed = t1 - t0;
    if (t3 - t2 < best_cached) best_cached = t3 - t2;
  }
  printf("{\"computedNs\": %.2f, \"cachedNs\": %.2f, \"sum\": %.3f}\n", best_computed / N, best_cached / N, sum);
  return 0;
}
