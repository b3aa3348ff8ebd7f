/** Chains of sums, counting and elementary number theory; see `algebra.ts` for the notation. */
export const NUMBERS = String.raw`
\[ \sum_{k=1}^{n} k = \frac{n(n+1)}{2} = \frac{n^2 «+|-» n}{2} \]
\[ \sum_{k=1}^{n} (2k-1) = 2\cdot\frac{n(n+1)}{2} - n = «n^2|n^2+n» \]
\[ \sum_{k=0}^{n} 2^k = 2^{n+1} - «1|2» \le 2^{n+1} \]
\begin{align*} \sum_{k=1}^{n+1} k^2 &= \sum_{k=1}^{n} k^2 + (n+1)^2 \\ &= \frac{n(n+1)(2n+1)}{6} + (n+1)^2 \\ &= \frac{(n+1)(n+2)(2n+«3|1»)}{6} \end{align*}
\begin{align*} 1 + 2 + \dots + n + (n+1) &= \frac{n(n+1)}{2} + (n+1) \\ &= \frac{(n+1)(n+«2|1»)}{2} \end{align*}
\[ 1 + 3 + 5 + \dots + (2n-1) = «n^2|n^2+1» = n \cdot n \]
\[ 1 + 2 + 4 + \dots + 2^{n} = 2^{n+1} - 1 = 2 \cdot 2^n «-|+» 1 \]
\[ 1^3 + 2^3 + \dots + n^3 = \left(\frac{n(n+1)}{2}\right)^{ «2|3» } = \frac{n^2(n+1)^2}{4} \]
\[ 1 + x + x^2 + \dots + x^{n} = \frac{x^{n+1}-1}{x-1} = \frac{1 - x^{ «n+1|n» }}{1-x} \]
\[ a + ar + \dots + ar^{n-1} = a\,\frac{1-r^n}{1-r} = \frac{a «-|+» ar^n}{1-r} \]
\[ n! = n \cdot (n-1)! = n(n-1)\cdot(n-«2|1»)! \]
\[ \frac{(n+1)!}{n!} = \frac{(n+1)\,n!}{n!} = n «+|-» 1 \]
\[ \binom{n}{2} = \frac{n!}{2!(n-2)!} = \frac{n(n-1)}{ «2|4» } \]
\[ \binom{n}{k} + \binom{n}{k+1} = \binom{n+1}{k+1} = \binom{n+1}{n-«k|k+1»} \]
\[ \sum_{k=0}^n \binom nk = (1+1)^n = «2^n|2^{n+1}» \]
\[ \sum_{k=0}^n \binom nk (-1)^k 2^{n-k} = (2-1)^n = «1|0» \]
\[ \sum_{k=1}^n \frac{1}{k(k+1)} = \sum_{k=1}^n \left(\frac1k - \frac1{k+1}\right) = 1 - \frac{1}{ «n+1|n» } \]
\[ \sum_{k=1}^n (a_k - a_{k-1}) = \sum_{k=1}^n a_k - \sum_{k=0}^{n-1} a_k = a_n - a_0 = «a_n - a_0|a_n - a_0 + 1» \]
\[ \prod_{k=1}^n \frac{k+1}{k} = \frac{(n+1)!}{n!} = «n+1|n» \]
\[ \sum_{i=1}^n \sum_{j=1}^n ij = \left(\sum_{i=1}^n i\right)^2 = \frac{n^2(n+1)^2}{ «4|2» } \]
\[ \sum_{k=1}^{n} 3 = 3 + 3 + \dots + 3 = «3n|3» \]
\[ \sum_{k=3}^{5} k^2 = 9 + 16 + 25 = «50|49» \]
\[ \prod_{k=1}^4 k = 1\cdot2\cdot3\cdot4 = «24|10» \]
\[ 2 \cdot 4 \cdot 6 \cdots (2n) = 2^n \cdot «n!|n^2» = 2^n\, n! \]
\[ 1 \cdot 2 \cdot 3 \cdots n = n! = n\,(n «-|+» 1)! \]
$7^2 = 49 \equiv 4 \equiv «-1|1» \pmod 5$
$3^4 \equiv 81 \equiv «1|2» \pmod{10}$
$2^{10} \equiv 1024 \equiv 24 \equiv «4|3» \pmod{20}$
$5 \cdot 9 \equiv 45 \equiv «3|4» \pmod 7$
$10^n \equiv 1^n \equiv «1|0» \pmod 9$
$4^n - 1 \equiv 1^n - 1 \equiv «0|1» \pmod 3$
$n^3 - n = n(n^2-1) = (n-1)n(n«+|-»1)$
$n^3 - n \equiv (n-1)n(n+1) \equiv «0|1» \pmod 6$
$3^{2n} - 1 = 9^n - 1 \equiv 1 - 1 = «0|1» \pmod 8$
$7^{100} \equiv (7^2)^{50} \equiv (-1)^{50} \equiv «1|-1» \pmod{10}$
$2^{340} \equiv (2^{10})^{34} \equiv 1^{34} \equiv «1|2» \pmod{11}$
$(a+b)^3 \equiv a^3 + b^3 \equiv a^3 + b^3 «+ 3ab|+ ab» \pmod 3$
$17 = 5\cdot 3 + 2 \equiv «2|3» \pmod 5$
$-1 \equiv «6|5» \equiv 13 \pmod 7$
$\gcd(84, 30) = \gcd(30, 24) = \gcd(24, 6) = «6|12»$
$\gcd(n, n+1) = \gcd(n, 1) = «1|n»$
$\operatorname{lcm}(4, 6) = \frac{4 \cdot 6}{\gcd(4,6)} = \frac{24}{2} = «12|24»$
$1 = 7 - 2\cdot 3 = 7 - 2(17 - 2\cdot 7) = 5\cdot 7 - «2|3»\cdot 17$
$\lfloor 3.7 \rfloor + \lceil 2.1 \rceil = 3 + 3 = «6|5»$
$\lfloor -1.5 \rfloor = «-2|-1» < -1.5$
$100 \bmod 7 = (14 \cdot 7 + 2) \bmod 7 = «2|4»$
$6! = 6 \cdot 5! = 6 \cdot 120 = «720|620»$
$\frac{10!}{8!} = 10 \cdot 9 = «90|80»$
Let $n$ be even, so $n = 2k$ for some integer $k$. Then $n^2 = (2k)^2 = 4k^2 = 2(«2|4»k^2)$.
Suppose $n = 2k+1$. Then $n^2 = (2k+1)^2 = 4k^2 + 4k + 1 = «4|2»k(k+1) + 1$.
Let $a = 2m+1$ and $b = 2n+1$ be odd. Then $a + b = 2m + 1 + 2n + 1 = 2(m+n+«1|2»)$.
Let $a = 3k + 1$. Then \[ a^2 = 9k^2 + 6k + 1 = 3(3k^2 + «2|3»k) + 1. \]
Write $m = dx$ and $n = dy$. Then $m + n = dx + dy = d(x «+|-» y)$.
Let $p$ be an odd prime. Then $p^2 - 1 = (p-1)(p+1) \equiv «0|1» \pmod 8$ for $p > 3$.
For a prime $p$ and $a$ not divisible by it, $a^{p} - a = a(a^{p-1} - 1) \equiv «0|1» \pmod p$.
For all $n \ge 5$ we have \[ 2^{n+1} = 2 \cdot 2^n > 2n^2 \ge n^2 + 2n + 1 = (n«+|-»1)^2. \]
For $n \ge 1$, \[ \frac{1}{n+1} < \frac1n \le 1 < «2|\frac12». \]
For $n \ge 4$ we get $n! \ge 4! = 24 > «16|32» = 2^4$.
\begin{align*} \sum_{k=1}^{n+1} k &= \sum_{k=1}^{n} k + (n+1) \\ &= \frac{n(n+1)}2 + \frac{2(n+1)}{2} \\ &= \frac{(n+1)(n+«2|3»)}{2} \end{align*}
\begin{align*} 3^{n+1} - 1 &= 3 \cdot 3^n - 1 \\ &= 3(3^n - 1) + «2|3» \end{align*}
\begin{align*} 5^{n+1} - 1 &= 5\cdot 5^n - 1 \\ &= 5(5^n-1) + «4|5» \\ &\equiv 0 \pmod 4 \end{align*}
\begin{align*} \sum_{k=1}^{n} k\cdot k! &= \sum_{k=1}^n \bigl((k+1)! - k!\bigr) \\ &= (n+1)! - «1|n» \end{align*}
\begin{align*} \binom{2n}{n} &= \frac{(2n)!}{n!\,n!} \\ &= \frac{2n(2n-1)}{n^2}\cdot\frac{(2n-2)!}{(n-1)!\,(n-«1|2»)!} \end{align*}
\begin{align*} \sum_{k=1}^{2n} (-1)^k k &= \sum_{j=1}^{n} \bigl(2j - (2j-1)\bigr) \\ &= \sum_{j=1}^n 1 = «n|2n» \end{align*}
Define $f(n) = n^2 + 1$. Then $f(3) = 3^2 + 1 = «10|9»$.
Let $T_n = \frac{n(n+1)}{2}$. Then $T_n + T_{n+1} = \frac{n(n+1) + (n+1)(n+2)}{2} = (n+«1|2»)^2$.
Let $F(n) = 2^n - 1$. Then $F(n+1) = 2^{n+1} - 1 = 2F(n) «+|-» 1$.
\[ \sum_{d \mid 12} d = 1 + 2 + 3 + 4 + 6 + 12 = «28|26» \]
\[ \sum_{k=0}^{\infty} \frac{1}{2^k} = \frac{1}{1 - \frac12} = «2|1» \]
For $|x| < 1$ we have \[ \sum_{k=0}^\infty x^{2k} = \frac{1}{1-x^2} = \frac{1}{(1-x)(1«+|-»x)}. \]
\[ \sum_{k=1}^{\infty} \frac{1}{k^2} = \frac{\pi^2}{6} > «1|2» \]
\[ 0.\!9 + 0.1 = 1.0, \qquad 0.25 + 0.5 = «0.75|0.3» = \frac34 \]
\[ 1001 = 7 \cdot 143 = 7 \cdot 11 \cdot «13|17» \]
\[ 2^8 - 1 = 255 = 15 \cdot «17|16» \]
\[ \varphi(12) = 12\left(1-\tfrac12\right)\left(1-\tfrac13\right) = «4|6» \]
\[ 111_{2} < 200, \qquad 4 + 2 + 1 = «7|8» \]
`;
