/**
 * Chains of school algebra as students write them. `«right|slip»` gives the true chain by its left side and one
 * with a single slip by its right side.
 */
export const ALGEBRA = String.raw`
$(x+1)^2 = (x+1)(x+1) = x^2 + «2|3»x + 1$
$(a+b)^2 = a^2 + ab + ba + b^2 = a^2 + «2ab|ab» + b^2$
$(a-b)^2 = a^2 - 2ab «+|-» b^2 = (b-a)^2$
$(x-3)(x+4) = x^2 + 4x - 3x - 12 = x^2 «+|-» x - 12$
$(2x+5)(x-1) = 2x^2 - 2x + 5x - 5 = 2x^2 + «3|7»x - 5$
$a^3 - b^3 = (a-b)(a^2 «+|-» ab + b^2) = a^3 + a^2b + ab^2 - a^2b - ab^2 - b^3$
$(x+y)^3 = x^3 + 3x^2y + «3|2»xy^2 + y^3 = x^3 + y^3 + 3xy(x+y)$
$x^4 - 1 = (x^2-1)(x^2+1) = (x-1)(x+1)(x^2 «+|-» 1)$
$(a+b+c)^2 = a^2+b^2+c^2+2ab+2bc+«2|»ca = (a+b)^2 + 2(a+b)c + c^2$
$3(x-2) - 2(x-5) = 3x - 6 - 2x «+|-» 10 = x + 4$
$\frac{x^2-1}{x-1} = \frac{(x-1)(x+1)}{x-1} = x «+|-» 1$
$\frac{1}{x} + \frac{1}{y} = \frac{y+x}{xy} = \frac{x+y}{«xy|x+y»}$
$\frac{1}{x-1} - \frac{1}{x+1} = \frac{(x+1)-(x-1)}{(x-1)(x+1)} = \frac{ «2|2x» }{x^2-1}$
$\frac ab + \frac cd = \frac{ad+bc}{bd} = \frac{ad}{bd} + \frac{ «bc|c» }{bd}$
$\frac{\frac{1}{x}+1}{x+1} = \frac{1+x}{x(x+1)} = \frac{1}{«x|x^2»}$
$\sqrt{50} = \sqrt{25 \cdot 2} = «5|25»\sqrt{2}$
$\sqrt{12} + \sqrt{27} = 2\sqrt3 + 3\sqrt3 = «5|6»\sqrt3$
$\frac{1}{\sqrt2 - 1} = \frac{\sqrt2+1}{(\sqrt2-1)(\sqrt2+1)} = \sqrt2 «+|-» 1$
$(\sqrt{a}+\sqrt{b})(\sqrt{a}-\sqrt{b}) = \sqrt{a}^2 - \sqrt{b}^2 = a «-|+» b$
$2^3 \cdot 2^4 = 2^{3+4} = 2^{ «7|12» } = 128$
$\left(x^2\right)^3 = x^{2\cdot 3} = x^{ «6|5» }$
$\frac{x^5}{x^2} = x^{5-2} = x^{ «3|2» }$
$x^{-2} \cdot x^5 = x^{-2+5} = x^{ «3|-3» }$
$8^{2/3} = (8^{1/3})^2 = 2^2 = «4|16/3»$
$12 \cdot 7 = 10 \cdot 7 + 2 \cdot 7 = 70 + 14 = «84|74»$
$15 + 27 \cdot 2 = 15 + 54 = «69|84»$
$\frac{3}{4} + \frac{5}{6} = \frac{9}{12} + \frac{10}{12} = \frac{ «19|18» }{12}$
$\frac{2}{3} - \frac{1}{5} = \frac{10-3}{15} = \frac{ «7|1» }{15}$
$1{,}5 + 2{,}25 = 3{,}«75|65»$ and so $2 \cdot 3{,}75 = 7{,}5$
$0.2 \cdot 0.3 = \frac{2}{10}\cdot\frac{3}{10} = \frac{6}{100} = «0.06|0.6»$
$20\% \cdot 150 = \frac{20}{100} \cdot 150 = «30|35»$
$x^2 + 6x + 5 = (x+3)^2 - «4|9» = (x+3-2)(x+3+2)$
$x^2 - 4x + 7 = (x-2)^2 + 3 \ge 3 > «2|4»$
$2x^2 + 8x = 2(x^2+4x) = 2\left((x+2)^2 - 4\right) = 2(x+2)^2 - «8|4»$
$ax^2 + bx = a\left(x^2 + \frac{b}{a}x\right) = a\left(x + \frac{b}{2a}\right)^2 - \frac{b^2}{ «4a|2a» }$
$(x-1)(x^2+x+1) = x^3 + x^2 + x - x^2 - x - 1 = x^3 - «1|x»$
$|{-5}| + |3| = 5 + 3 = «8|-2»$
$|x-y| = |y-x| = |«-1|-2»|\,|x-y|$
$(-2)^3 \cdot (-1)^4 = -8 \cdot 1 = «-8|8»$
$-3^2 + (-3)^2 = -9 + 9 = «0|18»$
$\frac{x+2}{x^2-4} = \frac{x+2}{(x+2)(x-2)} = \frac{1}{x «-|+» 2}$
$\frac{6x^2y}{3xy^2} = \frac{6}{3}\cdot\frac{x^2}{x}\cdot\frac{y}{y^2} = \frac{ «2x|2y» }{y}$
$(1+\sqrt3)^2 = 1 + 2\sqrt3 + 3 = «4|10» + 2\sqrt3$
$\sqrt{x^4} = \sqrt{(x^2)^2} = «x^2|x»$
For $x > 0$ we have $\sqrt{x^2} = |x| = «x|x^2»$.
For $x < 0$, $|x| + x = -x + x = «0|2x»$.
$\ln(6) - \ln(2) = \ln\frac{6}{2} = \ln «3|4»$
$\log_2 8 + \log_2 4 = 3 + 2 = «5|6»$
$\log_{10} 1000 = \log_{10} 10^3 = «3|30»$
For $x, y > 0$ we find $\ln(x^2y) = \ln x^2 + \ln y = «2|»\ln x + \ln y$.
$e^{\ln 3 + \ln 2} = e^{\ln 3}e^{\ln 2} = 3\cdot 2 = «6|5»$
$e^{2x} - 1 = (e^x)^2 - 1 = (e^x-1)(e^x «+|-» 1)$
$4^x = (2^2)^x = 2^{ «2x|x+2» }$
$9^{x} - 3^{x} = 3^{2x} - 3^x = 3^x(3^x - «1|3»)$
\begin{align*} (x+2)^2 - (x-2)^2 &= (x^2+4x+4) - (x^2-4x+4) \\ &= «8x|8» \end{align*}
\begin{align*} (n+1)^3 - n^3 &= n^3 + 3n^2 + 3n + 1 - n^3 \\ &= 3n^2 + «3n|n» + 1 \end{align*}
\begin{align*} x^3 - 3x + 2 &= (x-1)(x^2+x-2) \\ &= (x-1)(x-1)(x+2) \\ &= (x-1)^2(x «+|-» 2) \end{align*}
\begin{align*} \frac{x}{x+1} + \frac{1}{x-1} &= \frac{x(x-1) + (x+1)}{(x+1)(x-1)} \\ &= \frac{x^2 «+|-» 1}{x^2-1} \end{align*}
\begin{align*} \sqrt{x+1} - \sqrt{x} &= \frac{(\sqrt{x+1}-\sqrt{x})(\sqrt{x+1}+\sqrt{x})}{\sqrt{x+1}+\sqrt{x}} \\ &= \frac{ «1|x» }{\sqrt{x+1}+\sqrt{x}} \end{align*}
\begin{align*} (a^2+b^2)(c^2+d^2) &= a^2c^2 + a^2d^2 + b^2c^2 + b^2d^2 \\ &= (ac-bd)^2 + (ad «+|-» bc)^2 \end{align*}
\[ \frac{\sqrt{3}}{\sqrt{12}} = \sqrt{\frac{3}{12}} = \sqrt{\frac14} = \frac1{«2|4»} \]
\[ \left(\frac{2}{3}\right)^{-2} = \left(\frac{3}{2}\right)^{2} = \frac{ «9|4» }{4} \]
\[ \binom{5}{2} = \frac{5!}{2!\,3!} = \frac{5 \cdot 4}{2} = «10|20» \]
\[ (x+y)^4 = x^4 + 4x^3y + «6|4»x^2y^2 + 4xy^3 + y^4 = ((x+y)^2)^2 \]
Let $x > 1$. Then \[ \frac{x^2 - x}{x - 1} = \frac{x(x-1)}{x-1} = x > «1|2x». \]
\begin{align*} 2(a+b)^2 - 2(a-b)^2 &= 2\bigl((a+b)^2-(a-b)^2\bigr) \\ &= 2 \cdot 4ab = «8|6»ab \end{align*}
\[ x^2 + y^2 = (x+y)^2 - 2xy = (x-y)^2 «+|-» 2xy \]
\[ \frac{a^2-b^2}{a+b} = \frac{(a-b)(a+b)}{a+b} = «a-b|a+b» \]
\[ 1 - \frac{1}{n+1} = \frac{n+1-1}{n+1} = \frac{ «n|n-1» }{n+1} \]
\[ \frac{1}{n(n+1)} = \frac{(n+1)-n}{n(n+1)} = \frac1n «-|+» \frac{1}{n+1} \]
Then we have $5x - (3 - 2x) = 5x - 3 «+|-» 2x = 7x - 3$, as wanted.
We compute $(2+3i)(1-i) = 2 - 2i + 3i - 3i^2 = «5|-1» + i$.
$\frac{1}{1+i} = \frac{1-i}{(1+i)(1-i)} = \frac{1-i}{«2|1»}$
$(1+i)^2 = 1 + 2i + i^2 = «2i|2»$
$|3+4i| = \sqrt{3^2+4^2} = \sqrt{25} = «5|7»$
For complex $z = x+iy$ we have $z\bar z = (x+iy)(x-iy) = x^2 «+|-» y^2$.
$e^{i\pi} + 1 = \cos\pi + i\sin\pi + 1 = «0|2»$
`;
