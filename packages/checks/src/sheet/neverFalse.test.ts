import { describe, expect, it } from 'vitest';
import { isFalse, stepsIn } from '../testing/sheet';

/** True as their writers mean them, whatever of it is read. */
const TRUE = String.raw`
$x = \frac{-b \pm \sqrt{b^2-4ac}}{2a} = \frac{5 \pm \sqrt{25-24}}{2} = \frac{5\pm1}{2}$
The area is $A = \pi r^2 = \pi \cdot 3^2 = 9\pi$.
$v = at = 9.8 \cdot 2 = 19.6$
$\frac12 g t^2 = \frac12 \cdot 9.81 \cdot t^2 = 4.905 t^2$
$\frac{\Delta y}{\Delta x} = \frac{4-2}{3-1} = 1$
$\sigma^2 = \frac{(1-2)^2+(2-2)^2+(3-2)^2}{3} = \frac23$
$a^2 + b^2 = c^2 = 25$ and so $c = 5$.
$a_{n+1} = 2a_n + 1 = 2(2^n - 1) + 1 = 2^{n+1} - 1$
$\det A = a_{11}a_{22} - a_{12}a_{21} = 1\cdot 4 - 2\cdot 3 = -2$
$T(n) = 2T(n/2) + n = 4T(n/4) + 2n$
$T(n) = n^2 + n = O(n^2) = \mathcal{O}(n^3)$
$\frac{a}{\sin\alpha} = \frac{b}{\sin\beta} = 2R$
$F = ma = m\frac{dv}{dt}$
$P(X = k) = \binom nk p^k (1-p)^{n-k} = \binom{n}{n-k} p^k (1-p)^{n-k}$
$P(A\cup B) = P(A) + P(B) - P(A\cap B)$
$x * y = x + y - xy = y + x - yx = y * x$
$(f\circ g)(x) = f(g(x)) = f(x^2)$
$2\frac12 + 1\frac12 = \frac52 + \frac32 = 4$
$10 : 2 = 5 = 15 : 3$
$a : b = 2 : 3$
$7 = 2 \pmod 5$ and $-1 = 4 = 9 \pmod 5$
$5^{2n} = 25^n \equiv 1^n = 1 \pmod 8$
$3^{-1} \equiv 5 \pmod 7$
$n^2 \equiv 0, 1 \pmod 4$
$1011_2 = 11_{10} = 8 + 2 + 1$
$\mathbb{R}^2 = \mathbb R \times \mathbb R = \{(x,y)\}$
$|G| = [G:H]\cdot|H| = 2\cdot 3 = 6$
$|A\cup B| = |A| + |B| - |A\cap B| = 3 + 4 - 2 = 5$
$\|x\|_1 = |x_1| + |x_2| = 3$
$\varphi(n) = n\prod_{p\mid n}\left(1-\frac1p\right)$
$(a^x)^y = a^{xy} = (a^y)^x$
$\ln(ab) = \ln a + \ln b = \ln b + \ln a$
$e^{ix} = \cos x + i\sin x = \cos(-x) - i\sin(-x)$
$i^{2k} = (i^2)^k = (-1)^k$
$\sum_{i=1}^n i = \frac{n(n+1)}{2} = n\cdot\frac{n+1}2$
$\log_a b \cdot \log_b c = \log_a c$
$\frac13 = 0.333\ldots = 0.\overline{3}$
$\sqrt2 = 1.41421356... \approx 1.4$
$\binom{n}{k} = \frac{n(n-1)\cdots(n-k+1)}{k!}$
$(1+x)^n = 1 + nx + \frac{n(n-1)}{2}x^2 + \dots + x^n$
$e^x = 1 + x + \frac{x^2}{2!} + \frac{x^3}{3!} + \dots$
$\int_0^\infty \frac{\sin x}{x}\,dx = \frac\pi2$
$\int_{-\infty}^\infty e^{-x^2}\,dx = \sqrt\pi = \sqrt{\pi}\cdot 1$
$\int \tan x\,dx = -\ln|\cos x| + C = \ln\left|\frac{1}{\cos x}\right| + C$
$\lim_{n\to\infty} n^{1/n} = 1 = \lim_{n\to\infty} \sqrt[n]{n}$
$\lim_{n\to\infty}\frac{n!}{n^n} = 0$
$\lim_{x\to\infty}\frac{\ln x}{x} = \lim_{x\to\infty}\frac{1/x}{1} = 0$
$\frac{d}{dx} x^x = x^x(\ln x + 1)$
$\frac{dy}{dx} = \frac{dy}{du}\cdot\frac{du}{dx} = 2u\cdot 3$
$(uv)' = u'v + uv' = uv' + u'v$
$\gcd(a,b)\cdot\operatorname{lcm}(a,b) = ab = ba$
$\lfloor n/2\rfloor + \lceil n/2\rceil = n = 2n - n$
$\sum_{n=1}^\infty \frac{1}{n(n+1)} = \lim_{N\to\infty}\left(1 - \frac{1}{N+1}\right) = 1$
$-1 \le \sin x \le 1$ and $0 \le x \le 1 < 2$
Let $\varepsilon > 0$ and choose $N$ with $\frac1N < \varepsilon$. For $n \ge N$ we have $|a_n - a| = \frac1n \le \frac1N < \varepsilon$.
$\Delta x = x_2 - x_1 = 5 - 3 = 2$
$5\,\mathrm{km} = 5000\,\mathrm{m} = 500000\,\mathrm{cm}$
$1 \text{ km} = 1000 \text{ m}$
$z = 2e^{i\pi/3} = 2\left(\cos\frac\pi3 + i\sin\frac\pi3\right) = 1 + i\sqrt3$
$\sum_{i=1}^n (x_i - \bar x) = \sum_{i=1}^n x_i - n\bar x = n\bar x - n\bar x = 0$
$\operatorname{Var}(X) = E(X^2) - E(X)^2 = \frac{7}{2} - 3 = \frac12$
$\vec a\cdot\vec b = |\vec a|\,|\vec b|\cos\theta = 2\cdot3\cdot\frac12 = 3$
$\underbrace{1 + 1 + \dots + 1}_{n} = n$
By the induction hypothesis, $f(n+1) = 2f(n) + 1 = 2(2^n - 1) + 1 = 2^{n+1} - 1$.
The polynomial is $p(x) = x^2 - 1 = (x-1)(x+1)$, and $p(2) = 3$.
Then $A = \{1, 2\} = \{2, 1\}$ and $|A| = 2$.
We have $\alpha + \beta + \gamma = 180^\circ = \pi$.
$f(x) = \begin{cases} x & \text{if } x > 0 \\ 0 & \text{otherwise} \end{cases} = \max(x, 0)$
$(84, 30) = (30, 24) = (24, 6) = 6$
$\int_0^1 x^2\,\text{d}x = \left[\frac{x^3}{3}\right]_0^1 = \frac13$
$\mu P = \mu = \mu P^2$ for the stationary distribution.
Suppose $a_n = 2a_{n-1}$ and $a_1 = 3$. Trying $a_n = r^n$ we get $r^n = 2r^{n-1}$, so $a_n = C \cdot 2^n = 3 \cdot 2^{n-1}$.
If $a_0 = 1$ and $a_{n+1} = 2a_n + 1$, then $a_1 = 3$. If $a_0 = 2$, then $a_1 = 5$.
Let $a_0 = 0$ and $a_{n+1} = \sqrt{2 + a_n}$. If $L$ is the limit, then $L = \sqrt{2+L} = 2$, and $a_n < 2 \le L$.
Assume $a_k = 2^k - 1$ where $a_{n+1} = 2a_n + 1$ and $a_0 = 0$. Then $a_{k+1} = 2a_k + 1 = 2(2^k-1)+1 = 2^{k+1}-1$.
Let $f(n) = f(n-1) + f(n-2)$ with $f(0) = 0$, $f(1) = 1$. Then $f(5) = 5 = f(4) + f(3)$ and $f(n) = \frac{1}{\sqrt5}\left(\varphi^n - \psi^n\right)$.
Put $I_n = \int_0^1 x^n e^x\,dx$. Then $I_n = e - nI_{n-1}$, so $I_1 = e - I_0 = 1$.
Let $x_0 = 1$, $x_{n+1} = x_n - \frac{x_n^2 - 2}{2x_n}$. Then $x_1 = 1.5$ and $x_2 \approx 1.4167$.
Let $b_0 = 2$ and $b_n = b_{n-1}^2$. Suppose $b_k > 100$ for some $k$. Then $b_{k+1} = b_k^2 > 100b_k$.
`;

describe('what is meant rightly is never called false', () => {
  it.each(TRUE.split('\n').filter((line) => line !== ''))('%s', (body) => {
    const told = stepsIn(body).filter(({ step }) => isFalse(step));
    expect(
      told.map(({ left, sign, right, step }) => [left, sign, right, step.outcome.why]),
    ).toEqual([]);
  });
  it('nor all of it on one sheet', () => {
    const body = TRUE.split('\n').filter((line) => line !== '');
    const told = stepsIn(body.join('\n\n')).filter(({ step }) => isFalse(step));
    expect(
      told.map(({ left, sign, right, step }) => [left, sign, right, step.outcome.why]),
    ).toEqual([]);
  });
});
