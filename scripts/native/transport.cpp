// The transport kernel of src/core/light/transport, for the benchmark's comparison only: the same
// generator, the same shapes and the same draws in the same order, so that the counts agree too.
// Usage: transport PHOTONS   (the standard pan of docs/model/transport.md; prints seconds, escaped, absorbed)
#include <chrono>
#include <cmath>
#include <cstdint>
#include <cstdio>
#include <cstdlib>
#include <initializer_list>

struct Uniforms {
  uint32_t s0, s1;
  double next() {
    double out = (s0 * 0x9e3779bbu) * 2.3283064365386963e-10;
    s1 ^= s0;
    s0 = ((s0 << 26) | (s0 >> 6)) ^ s1 ^ (s1 << 9);
    s1 = (s1 << 13) | (s1 >> 19);
    return out;
  }
};

static uint32_t mixed(uint32_t h) {
  h = (h ^ (h >> 16)) * 0x85ebca6bu;
  h = (h ^ (h >> 13)) * 0xc2b2ae35u;
  return h ^ (h >> 16);
}

enum { DISC, CONE };
struct Surface {
  int type, layer;
  double keep, second, a, b, r, slope;
};

static const double EPS = 1e-7 * 150;

static double meetsCone(const Surface &s, const double *p, const double *d, bool onIt) {
  double r = s.r + s.slope * (p[2] - s.a);
  double a = d[0] * d[0] + d[1] * d[1] - s.slope * s.slope * d[2] * d[2];
  double b = p[0] * d[0] + p[1] * d[1] - s.slope * r * d[2];
  double least = s.a - EPS, reach = s.b + EPS;
  if (onIt) {
    double t = -2 * b / a, z = p[2] + t * d[2];
    return t > EPS && z >= least && z <= reach && r + s.slope * t * d[2] >= 0 ? t : INFINITY;
  }
  double c = p[0] * p[0] + p[1] * p[1] - r * r, inside = b * b - a * c;
  if (inside < 0) return INFINITY;
  double root = std::sqrt(inside), q = b > 0 ? -b - root : -b + root;
  double one = q / a, two = c / q, near = one < two ? one : two, far = one < two ? two : one;
  for (double t : {near, far}) {
    double z = p[2] + t * d[2];
    if (t > EPS && z >= least && z <= reach && r + s.slope * t * d[2] >= 0) return t;
  }
  return INFINITY;
}

static void lambert(double *out, Uniforms &g, double nx, double ny, double nz) {
  double x, y, z, squared;
  do {
    double u, v, s;
    do {
      u = 2 * g.next() - 1;
      v = 2 * g.next() - 1;
      s = u * u + v * v;
    } while (s >= 1);
    double root = 2 * std::sqrt(1 - s);
    x = u * root + nx;
    y = v * root + ny;
    z = 1 - 2 * s + nz;
    squared = x * x + y * y + z * z;
  } while (squared < 1e-12);
  double by = 1 / std::sqrt(squared);
  out[0] = x * by;
  out[1] = y * by;
  out[2] = z * by;
}

int main(int count, char **given) {
  const long photons = count > 1 ? std::atol(given[1]) : 1000000;
  const int CHUNK = 20000;
  const Surface surfaces[3] = {{DISC, 1, 0.60, 0.94, 80, 150.0 * 150, 0, 0},
                               {CONE, 0, 0.92, 0.092, 0, 80, 150, 0},
                               {DISC, 0, 0.92, 0.092, 0, 150.0 * 150, 0, 0}};
  double emitters[36][6];
  for (int k = 0; k < 36; k++) {
    double a = k / 36.0 * 2 * M_PI;
    double e[6] = {150 * std::cos(a), 150 * std::sin(a), 40, -std::cos(a), -std::sin(a), 0};
    for (int i = 0; i < 6; i++) emitters[k][i] = e[i];
  }
  static uint32_t map[1024], directions[18 * 24];
  long escaped = 0, absorbed = 0;
  auto start = std::chrono::steady_clock::now();
  for (long chunk = 0; chunk * CHUNK < photons; chunk++) {
    Uniforms g{mixed(7u ^ (uint32_t)(chunk + 1) * 0x9e3779b9u),
               mixed(7u * 0x85ebca77u + (uint32_t)chunk + 0x165667b1u)};
    for (int k = 0; k < 8; k++) g.next();
    long own = photons - chunk * CHUNK < CHUNK ? photons - chunk * CHUNK : CHUNK;
    for (long photon = 0; photon < own; photon++) {
      int e = (int)(g.next() * 36);
      g.next();
      double p[3] = {emitters[e][0], emitters[e][1], emitters[e][2]}, d[3];
      lambert(d, g, emitters[e][3], emitters[e][4], emitters[e][5]);
      int last = -1;
      for (int bounce = 0; bounce < 2000; bounce++) {
        double best = INFINITY;
        int found = -1;
        for (int k = 0; k < 3; k++) {
          const Surface &s = surfaces[k];
          if (s.type == DISC) {
            if (k == last) continue;
            double t = (s.a - p[2]) / d[2];
            if (!(t > EPS && t < best)) continue;
            double x = p[0] + t * d[0], y = p[1] + t * d[1];
            if (x * x + y * y > s.b * (1 + 1e-9)) continue;
            best = t;
            found = k;
          } else {
            double t = meetsCone(s, p, d, k == last);
            if (t < best) best = t, found = k;
          }
        }
        if (found < 0) break;
        last = found;
        for (int i = 0; i < 3; i++) p[i] += best * d[i];
        const Surface &s = surfaces[found];
        double n[3] = {0, 0, 1};
        if (s.type == CONE) {
          double by = 1 / std::sqrt((p[0] * p[0] + p[1] * p[1]) * (1 + s.slope * s.slope));
          n[0] = p[0] * by;
          n[1] = p[1] * by;
          n[2] = -s.slope / std::sqrt(1 + s.slope * s.slope);
        }
        double facing = n[0] * d[0] + n[1] * d[1] + n[2] * d[2];
        if (facing > 0) {
          for (double &x : n) x = -x;
          facing = -facing;
        }
        double draw = g.next();
        if (!s.layer) {
          if (draw >= s.keep) {
            absorbed++;
            break;
          }
          if (draw < s.second)
            for (int i = 0; i < 3; i++) d[i] -= 2 * facing * n[i];
          else
            lambert(d, g, n[0], n[1], n[2]);
          continue;
        }
        if (draw >= s.second) {
          absorbed++;
          break;
        }
        if (draw >= s.keep) {
          lambert(d, g, n[0], n[1], n[2]);
          continue;
        }
        lambert(d, g, -n[0], -n[1], -n[2]);
        int column = (int)((p[0] + 150) / 300 * 32), row = (int)((p[1] + 150) / 300 * 32);
        map[(row < 32 ? row : 31) * 32 + (column < 32 ? column : 31)]++;
        double cosine = std::fabs(d[0] * n[0] + d[1] * n[1] + d[2] * n[2]);
        int zone = (int)(std::acos(cosine < 1 ? cosine : 1) * 18 / (M_PI / 2));
        int plane = (int)((std::atan2(d[1], d[0]) + M_PI) * 24 / (2 * M_PI));
        directions[(zone < 18 ? zone : 17) * 24 + (plane < 24 ? plane : 23)]++;
        escaped++;
        break;
      }
    }
  }
  double seconds =
      std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
  std::printf("%.6f %ld %ld %u\n", seconds, escaped, absorbed, map[500]);
}
