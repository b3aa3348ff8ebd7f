/** Chains of trigonometry and calculus; see `algebra.ts` for the notation. */
export const CALCULUS = String.raw`
$\sin 2x = \sin(x + x) = 2\sin x «\cos|\sin» x$
$\cos 2x = \cos^2 x - \sin^2 x = «2|»\cos^2 x - 1$
$\sin^2 x + \cos^2 x = 1 = «\cos^2 x + \sin^2 x|\cos^2 x - \sin^2 x»$
$1 + \tan^2 x = \frac{\cos^2 x + \sin^2 x}{\cos^2 x} = \frac{1}{\cos^{«2|3»} x}$
$\tan x \cos x = \frac{\sin x}{\cos x}\cos x = «\sin|\cos» x$
$(\sin x + \cos x)^2 = \sin^2 x + 2\sin x\cos x + \cos^2 x = 1 «+|-» \sin 2x$
$\cos(x+y)+\cos(x-y) = 2\cos x «\cos|\sin» y = 2 \cos y\cos x$
$\sin 60^\circ = \sin\frac{\pi}{3} = \frac{\sqrt{ «3|2» }}{2}$
$\sin\frac{\pi}{6} + \cos\frac{\pi}{3} = \frac12 + \frac12 = «1|\frac14»$
$\cosh^2 x - \sinh^2 x = \frac{(e^x+e^{-x})^2 - (e^x-e^{-x})^2}{4} = «1|0»$
$\frac{1-\cos 2x}{2} = \frac{1 - (1 - 2\sin^2 x)}{2} = «\sin^2|\cos^2» x$
$\sin^4 x - \cos^4 x = (\sin^2 x - \cos^2 x)(\sin^2x + \cos^2x) = \sin^2 x «-|+» \cos^2 x$
\[ \frac{d}{dx}\left(x^3 + 2x\right) = 3x^2 + «2|2x» \]
\[ \frac{d}{dx} (x^2 \sin x) = 2x \sin x «+|-» x^2\cos x = x(2\sin x + x\cos x) \]
\[ \frac{d}{dx} e^{x^2} = e^{x^2}\cdot 2x = «2|»x e^{x^2} \]
\[ \frac{d}{dx} \ln(1+x^2) = \frac{1}{1+x^2}\cdot 2x = \frac{ «2x|x» }{1+x^2} \]
\[ \frac{d}{dx}\frac{x}{x+1} = \frac{(x+1) - x}{(x+1)^2} = \frac{ «1|x» }{(x+1)^2} \]
\[ \frac{d}{dx}\sqrt{x^2+1} = \frac{1}{2\sqrt{x^2+1}}\cdot 2x = \frac{x}{\sqrt{x^2 «+|-» 1}} \]
\[ (x^2 e^x)' = 2x e^x + x^2 e^x = x(x+«2|1»)e^x \]
\[ (\tan x)' = \frac{\cos^2 x + \sin^2 x}{\cos^2 x} = \frac{1}{\cos^2 x} = 1 «+|-» \tan^2 x \]
\[ \frac{d^2}{dx^2} \sin(3x) = \frac{d}{dx} 3\cos(3x) = «-9|9»\sin(3x) \]
\[ \frac{d}{dt}(t^2+1)^5 = 5(t^2+1)^4\cdot 2t = «10|5»t(t^2+1)^4 \]
Let $f(x) = x^3 - 3x$. Then $f'(x) = 3x^2 - 3 = 3(x-1)(x«+|-»1)$.
Let $f(x) = x^2$. Then \[ \frac{f(x+h)-f(x)}{h} = \frac{2xh + h^2}{h} = 2x + «h|2h». \]
Let $f(x) = \frac1x$. Then \[ f(x+h) - f(x) = \frac{x - (x+h)}{x(x+h)} = \frac{ «-h|h» }{x(x+h)}. \]
Let $g(t) = e^{2t}$; then $g'(t) = 2e^{2t} = «2|»g(t)$ and $g''(t) = 4g(t)$.
\[ \frac{\partial}{\partial x}(x^2y + y^3) = 2xy + 0 = «2xy|x^2» \]
\[ \int_0^1 x^2\,dx = \left[\frac{x^3}{3}\right]_0^1 = \frac{1}{ «3|2» } \]
\[ \int_0^\pi \sin x\,dx = \bigl[-\cos x\bigr]_0^\pi = 1 + 1 = «2|0» \]
\[ \int_1^e \frac{1}{x}\,dx = \ln e - \ln 1 = «1|e» \]
\[ \int_0^1 xe^x\,dx = \bigl[xe^x\bigr]_0^1 - \int_0^1 e^x\,dx = e - (e-1) = «1|-1» \]
\[ \int_0^2 (3x^2+1)\,dx = \left. x^3 + x \right|_0^2 = 8 + 2 = «10|9» \]
\[ \int 2x\cos(x^2)\,dx = \sin(«x^2|2x») + C \]
\[ \int x\ln x\,dx = \frac{x^2}{2}\ln x - \int \frac{x}{2}\,dx = \frac{x^2}{2}\ln x - \frac{x^2}{ «4|2» } + C \]
\[ \int \frac{1}{x^2}\,dx = \int x^{-2}\,dx = «-|»\frac1x + C \]
\[ \int \sin^2 x\,dx = \int \frac{1-\cos 2x}{2}\,dx = \frac{x}{2} «-|+» \frac{\sin 2x}{4} + C \]
\[ \int \frac{dx}{x^2+1} = \arctan x + C = «\arctan|\tan» x + C \]
\[ \int_0^\infty e^{-x}\,dx = \lim_{b\to\infty}\left(1 - e^{-b}\right) = «1|0» \]
\[ \int_0^1 \frac{1}{\sqrt x}\,dx = \bigl[2\sqrt x\bigr]_0^1 = «2|1» \]
\[ \int_0^1 \int_0^x xy\,dy\,dx = \int_0^1 \frac{x^3}{2}\,dx = \frac{1}{ «8|6» } \]
\[ \int_a^b 1\,dx = \bigl[x\bigr]_a^b = b «-|+» a \]
\[ \int_{-1}^{1} x^3\,dx = \frac{1}{4} - \frac14 = «0|\frac12» \]
\[ \lim_{x\to 0}\frac{\sin 3x}{x} = \lim_{x\to0} 3\,\frac{\sin 3x}{3x} = «3|1» \]
\[ \lim_{n\to\infty}\frac{2n^2+1}{n^2+n} = \lim_{n\to\infty}\frac{2+\frac1{n^2}}{1+\frac1n} = «2|1» \]
\[ \lim_{x\to 2}\frac{x^2-4}{x-2} = \lim_{x\to2}(x+2) = «4|2» \]
\[ \lim_{n\to\infty}\left(1+\frac1n\right)^n = e > «2|3» \]
\[ \lim_{h\to0}\frac{(x+h)^2-x^2}{h} = \lim_{h\to0}(2x+h) = «2x|x» \]
\[ \lim_{x\to 0}\frac{1-\cos x}{x^2} = \lim_{x\to 0}\frac{\sin x}{2x} = \frac{1}{ «2|4» } \]
\[ \lim_{x\to0^+} x\ln x = \lim_{x\to0^+}\frac{\ln x}{1/x} = «0|1» \]
\[ \lim_{n\to\infty}\left(\sqrt{n^2+n}-n\right) = \lim_{n\to\infty}\frac{n}{\sqrt{n^2+n}+n} = \frac1{ «2|4» } \]
\begin{align*} f(x) &= x^2 - 2x + 3 \\ &= (x-1)^2 + 2 \\ &\ge «2|3» \end{align*}
\begin{align*} \int_0^{\pi/2} \cos^2 x\,dx &= \frac12\int_0^{\pi/2}(1+\cos 2x)\,dx \\ &= \frac12\left[x + \frac{\sin 2x}{2}\right]_0^{\pi/2} \\ &= \frac{\pi}{ «4|2» } \end{align*}
\begin{align*} \frac{d}{dx}\left(\frac{\sin x}{x}\right) &= \frac{x\cos x - \sin x}{x^2} \\ &= \frac{\cos x}{x} «-|+» \frac{\sin x}{x^2} \end{align*}
\begin{align*} \cos 3x &= \cos 2x\cos x - \sin 2x\sin x \\ &= (2\cos^2x-1)\cos x - 2\sin^2 x\cos x \\ &= 4\cos^3 x - «3|2»\cos x \end{align*}
\begin{align*} \int_0^1 \frac{x}{1+x^2}\,dx &= \frac12\int_1^2\frac{du}{u} \\ &= \frac12\ln «2|4» \end{align*}
\begin{align*} |x^2 - 4| &= |x-2|\,|x+2| \\ &\le |x-2|\,(|x|+2) \\ &\le |x-2|\,(|x|+«3|1») \end{align*}
Let $0 < |x - 3| < \delta$ with $\delta = \frac{\varepsilon}{2}$. Then $|2x - 6| = 2|x-3| < 2\delta = «\varepsilon|2\varepsilon»$.
For $x \ge 0$ we have $e^x \ge 1 + x \ge «1|1+2x»$.
For all real $x$, $|\sin x \cos x| = \frac12|\sin 2x| \le \frac1{«2|4»}$.
For $x, y \ge 0$ we have \[ \frac{x+y}{2} - \sqrt{xy} = \frac{(\sqrt x - \sqrt y)^2}{2} \ge «0|1». \]
\[ x^2 + y^2 - 2xy = (x-y)^2 \ge «0|1» \]
\[ |a + b|^2 = (a+b)^2 = a^2 + 2ab + b^2 \le |a|^2 + 2|a|\,|b| + |b|^2 = (|a| «+|-» |b|)^2 \]
\[ \arctan 1 + \arctan 1 = \frac{\pi}{4} + \frac{\pi}{4} = \frac{\pi}{ «2|8» } \]
\[ \ln\frac{(1+x)^2}{1-x} = \ln(1+x)^2 - \ln(1-x) = «2|»\ln(1+x) - \ln(1-x) \quad (|x| < 1) \]
\[ \sinh 2x = \frac{e^{2x}-e^{-2x}}{2} = 2\sinh x«\cosh|\sinh» x \]
\[ \sum_{k=0}^\infty \frac{x^k}{k!} = e^x = \frac{1}{e^{ «-x|x» }} \]
\[ \int_0^x \cos t\,dt = \sin x - \sin 0 = «\sin|\cos» x \]
\[ \frac{d}{dx}\int_0^x e^{t^2}\,dt = e^{ «x^2|2x» } \]
\[ \sqrt 2 \approx 1.414 < «1.5|1.4» \]
\[ \pi \approx «3.14159|3.15159» \]
\[ \frac13 = 0.333\ldots \quad\text{and}\quad \frac{1}{8} = «0.125|0.12» \]
`;
