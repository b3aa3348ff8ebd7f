/** Chains as they stand in worked solutions, with words around them; see `algebra.ts` for the notation. */
export const MIXED = String.raw`
Since $m$ is odd, $m = 2j + 1$ for some $j \in \mathbb{Z}$, and therefore $m^2 - 1 = (m-1)(m+1) = 2j(2j+2) = 4j(j«+|-»1)$.
Let $a, b > 0$. Then \[ \frac{a}{b} + \frac{b}{a} - 2 = \frac{a^2 + b^2 - 2ab}{ab} = \frac{(a «-|+» b)^2}{ab} \ge 0. \]
The sum of the first $n$ odd numbers is \[ S_n = \sum_{k=1}^n (2k-1) = 2 \sum_{k=1}^n k - n = n(n+1) - n = n^{«2|3»}. \]
By the binomial theorem, \[ (1+x)^3 = \sum_{k=0}^{3} \binom{3}{k} x^k = 1 + 3x + «3|6»x^2 + x^3. \]
For every $\varepsilon > 0$ choose $N > \frac1\varepsilon$. For $n \ge N$ we obtain \[ \left|\frac{n+1}{n} - 1\right| = \frac1n \le \frac1N < «\varepsilon|\varepsilon^2» \cdot 1 + 1. \]
We integrate by parts twice: \begin{align*} \int x^2 e^x\,dx &= x^2e^x - 2\int xe^x\,dx \\ &= x^2e^x - 2xe^x + 2e^x + C \\ &= (x^2-2x«+|-»2)e^x + C. \end{align*}
With $u = x^2 + 1$ we find \[ \int_0^1 2x(x^2+1)^3\,dx = \int_1^2 u^3\,du = \left[\frac{u^4}{4}\right]_1^2 = 4 - \frac14 = \frac{ «15|17» }{4}. \]
The slope of the chord is \[ \frac{(1+h)^3 - 1}{h} = \frac{3h + 3h^2 + h^3}{h} = 3 + 3h + h^{«2|3»} \quad\text{for } h \ne 0. \]
Assume the claim for $n$. Then \begin{align*} \sum_{k=0}^{n+1} r^k &= \frac{1-r^{n+1}}{1-r} + r^{n+1} \\ &= \frac{1 - r^{n+1} + r^{n+1}«-|+»r^{n+2}}{1-r} \\ &= \frac{1-r^{n+2}}{1-r}. \end{align*}
Hence $\cos\frac{\pi}{4}\cdot\sin\frac\pi4 = \frac{\sqrt2}{2}\cdot\frac{\sqrt2}{2} = \frac{ «1|\sqrt2» }{2}$.
Taking logarithms gives, for $x > 0$, \[ \ln\left(x^2\sqrt{x}\right) = 2\ln x + \tfrac12\ln x = \tfrac{ «5|3» }2\ln x. \]
The distance is $\sqrt{(4-1)^2+(6-2)^2} = \sqrt{9+16} = «5|7»$, as was to be shown.
\begin{equation*} \begin{split} (x-y)(x+y)(x^2+y^2) &= (x^2-y^2)(x^2+y^2) \\ &= x^4 «-|+» y^4 \end{split} \end{equation*}
\begin{gather*} (2x+1)^2 - (2x-1)^2 = 4x + 4x = «8|4»x \end{gather*}
\begin{multline*} (a+b)(a^4 - a^3b + a^2b^2 - ab^3 + b^4) = a^5 - a^4b + a^3b^2 - a^2b^3 + ab^4 \\ + a^4b - a^3b^2 + a^2b^3 - ab^4 + b^5 = a^5 «+|-» b^5 \end{multline*}
\[ \begin{aligned} \frac{3}{x-2} + \frac{2}{x+2} &= \frac{3(x+2)+2(x-2)}{x^2-4} \\ &= \frac{5x+«2|10»}{x^2-4} \end{aligned} \]
\begin{align} \tan(x+y) &= \frac{\sin x\cos y + \cos x\sin y}{\cos x\cos y - \sin x \sin y} \\ &= \frac{\tan x + \tan y}{1 «-|+» \tan x\tan y} \end{align}
We expand, $$ (x+h)^4 - x^4 = 4x^3h + 6x^2h^2 + 4xh^3 + h^4 = h\,(4x^3 + 6x^2h + «4|6»xh^2 + h^3), $$ and divide by $h$.
The determinant is $\begin{vmatrix} 3 & 1 \\ 2 & 5 \end{vmatrix} = 3\cdot 5 - 1 \cdot 2 = «13|17»$.
\begin{align*} P(A \cup B) &= \tfrac12 + \tfrac13 - \tfrac16 \\ &= \tfrac{3+2-1}{6} = \tfrac{ «2|1» }{3} \end{align*}
The expected value is $1\cdot\frac16 + 2\cdot\frac16 + \dots + 6\cdot\frac16 = \frac{21}{6} = «3.5|3»$.
\begin{align*} \binom{n}{k}\binom{k}{m} &= \frac{n!}{k!(n-k)!}\cdot\frac{k!}{m!(k-m)!} \\ &= \frac{n!}{m!\,(n-m)!}\cdot\frac{(n-m)!}{(n-k)!\,(k-«m|n»)!} \end{align*}
Then $x^2 - 5x + 6 = (x-2)(x-3) = 0$, while $(x-2)(x-3) + x = x^2 - «4|5»x + 6 = (x-2)^2 + 2$.
Let $z = 1 + i$ be a complex number. Then $z^2 = 1 + 2i - 1 = 2i$ and $z^4 = (2i)^2 = «-4|4»$.
For complex numbers $z$ and $w$, \[ |z+w|^2 = (z+w)(\bar z + \bar w) = |z|^2 + z\bar w + \bar z w + |w|^2 = |z|^2 + «2|»\operatorname{Re}(z\bar w) + |w|^2. \]
Let $f(x) = \sin x$ and $g(x) = x^2$. Then $f(g(x)) = \sin(x^2)$, and $(f(g(x)))' = 2x«\cos|\sin»(x^2)$, so that $f(g(0)) = \sin 0 = 0$.
Let $f(x) = 2x + 1$. We get $f(f(x)) = 2(2x+1) + 1 = 4x + «3|2»$.
We have $a_1 + a_2 + \dots + a_n = \sum_{k=1}^n a_k = a_1 + \sum_{k=«2|1»}^n a_k$.
\[ \left|\,\frac{2x+3}{x+1} - 2\,\right| = \left|\frac{2x+3-2x-2}{x+1}\right| = \frac{1}{|x«+|-»1|} \]
\begin{align*} x^{n+1} - y^{n+1} &= x^{n+1} - x^n y + x^n y - y^{n+1} \\ &= x^n(x-y) + y(x^n «-|+» y^n) \end{align*}
\begin{align*} \int_0^{2\pi} \sin^2 t\,dt &= \int_0^{2\pi} \frac{1-\cos 2t}{2}\,dt \\ &= \left[\frac t2 - \frac{\sin 2t}{4}\right]_0^{2\pi} = «\pi|2\pi» \end{align*}
`;
