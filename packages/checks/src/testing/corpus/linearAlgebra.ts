/** Chains of matrices, vectors and determinants; see `algebra.ts` for the notation. */
export const LINEAR_ALGEBRA = String.raw`
\[ \begin{pmatrix}1&2\\3&4\end{pmatrix}\begin{pmatrix}1\\1\end{pmatrix} = \begin{pmatrix}1+2\\3+4\end{pmatrix} = \begin{pmatrix}3\\ «7|8»\end{pmatrix} \]
\[ \begin{pmatrix}1&2\\0&1\end{pmatrix}\begin{pmatrix}1&3\\0&1\end{pmatrix} = \begin{pmatrix}1& «5|6»\\0&1\end{pmatrix} = \begin{pmatrix}1&3\\0&1\end{pmatrix}\begin{pmatrix}1&2\\0&1\end{pmatrix} \]
\[ \begin{bmatrix}1&0\\2&1\end{bmatrix} + \begin{bmatrix}0&1\\1&0\end{bmatrix} = \begin{bmatrix}1&1\\ «3|2»&1\end{bmatrix} = \begin{bmatrix}1&1\\3&1\end{bmatrix} \]
\[ \det\begin{pmatrix}1&2\\3&4\end{pmatrix} = 1\cdot4 - 2\cdot3 = «-2|10» \]
\[ \begin{vmatrix}a&b\\c&d\end{vmatrix} = ad «-|+» bc = da - cb \]
\[ \begin{vmatrix}1&2&3\\0&4&5\\0&0&6\end{vmatrix} = 1\cdot4\cdot6 = «24|30» \]
\[ \begin{vmatrix}2-\lambda&1\\1&2-\lambda\end{vmatrix} = (2-\lambda)^2 - 1 = \lambda^2 - 4\lambda + «3|5» \]
\[ \begin{vmatrix}1&x\\1&y\end{vmatrix} = y - x = -(x «-|+» y) \]
\[ \begin{pmatrix}2&1\\1&1\end{pmatrix}^{-1} = \begin{pmatrix}1&-1\\-1& «2|1»\end{pmatrix} = \begin{pmatrix}1&-1\\-1&2\end{pmatrix} \]
\[ \begin{pmatrix}a&b\\c&d\end{pmatrix}^{-1} = \frac{1}{ad-bc}\begin{pmatrix}d&-b\\ «-c|c»&a\end{pmatrix} \]
\[ \begin{pmatrix}1&2\\3&4\end{pmatrix}^T = \begin{pmatrix}1&3\\ «2|3»&4\end{pmatrix} = \begin{pmatrix}1&3\\2&4\end{pmatrix} \]
\[ \begin{pmatrix}1&1\\0&1\end{pmatrix}^n = \begin{pmatrix}1& «n|n+1»\\0&1\end{pmatrix} = \begin{pmatrix}1&n\\0&1\end{pmatrix} \]
\[ 2\begin{pmatrix}1&2\\3&4\end{pmatrix} - \begin{pmatrix}1&0\\0&1\end{pmatrix} = \begin{pmatrix}1&4\\6& «7|8»\end{pmatrix} = \begin{pmatrix}2&4\\6&8\end{pmatrix} - \begin{pmatrix}1&0\\0&1\end{pmatrix} \]
\[ \operatorname{tr}\begin{pmatrix}1&2\\3&4\end{pmatrix} = 1 + 4 = «5|-2» \]
\[ \begin{pmatrix}1\\2\\3\end{pmatrix}\cdot\begin{pmatrix}4\\5\\6\end{pmatrix} = 4 + 10 + 18 = «32|31» \]
\[ \begin{pmatrix}1\\0\\0\end{pmatrix}\times\begin{pmatrix}0\\1\\0\end{pmatrix} = \begin{pmatrix}0\\0\\ «1|-1»\end{pmatrix} = -\begin{pmatrix}0\\0\\-1\end{pmatrix} \]
\[ \left\|\begin{pmatrix}3\\4\end{pmatrix}\right\| = \sqrt{9+16} = «5|7» \]
$(1,2) + (3,4) = (1+3, 2+4) = (4, «6|8»)$
$3(1,-1,2) = (3,-3,«6|5») = (2,-2,4) + (1,-1,2)$
$\langle u, v\rangle = 1$ is assumed, and $(1,2,2)\cdot(2,0,1) = 2 + 0 + 2 = «4|5»$
$\mathbf u\cdot(\mathbf v + \mathbf w) = \mathbf u\cdot\mathbf v «+|-» \mathbf u\cdot\mathbf w = \mathbf v\cdot\mathbf u + \mathbf w\cdot\mathbf u$
$\mathbf u\times\mathbf v = «-|»\mathbf v\times\mathbf u = (-\mathbf v)\times\mathbf u$
$\|\mathbf u + \mathbf v\|^2 = \|\mathbf u\|^2 + «2|»\mathbf u\cdot\mathbf v + \|\mathbf v\|^2 = (\mathbf u + \mathbf v)\cdot(\mathbf u+\mathbf v)$
$\|\mathbf u+\mathbf v\|^2 - \|\mathbf u-\mathbf v\|^2 = 2\,\mathbf u\cdot\mathbf v + 2\,\mathbf u\cdot\mathbf v = «4|2»\,\mathbf u\cdot\mathbf v$
Let $A$ and $B$ be square matrices. Then $(AB)^T = B^TA^T = «B^TA^T|A^TB^T»$.
Let $A$ and $B$ be matrices. Then $(A+B)^2 = A^2 + AB + BA + B^2 = A(A+B) + «B(A+B)|(A+B)A»$.
Let $A$ and $B$ be invertible matrices. Then $(AB)^{-1} = B^{-1}A^{-1} = «B^{-1}A^{-1}|A^{-1}B^{-1}»$.
Let $A$ and $B$ be $n \times n$ matrices. Then $\det(AB) = \det A\det B = \det(B«A|^2»)$.
For matrices $A$, $B$ we have $\operatorname{tr}(AB) = \operatorname{tr}(BA) = \operatorname{tr}(A^T«B^T|B»)$.
Let $A$ be a matrix and $I$ the identity matrix. Then $(A+I)^2 = A^2 + «2|»A + I = A(A+2I) + I$.
Let $A$ be a matrix with $\det A \ne 0$. Then $AA^{-1} = A^{-1}A = «I|A»$.
Let $A = \begin{pmatrix}1&2\\0&3\end{pmatrix}$. Then $A^2 = \begin{pmatrix}1&8\\0&9\end{pmatrix}$ and $\det A^2 = (\det A)^2 = «9|3»$.
Let $A = \begin{pmatrix}0&1\\-1&0\end{pmatrix}$. Then \[ A^2 = \begin{pmatrix}0&1\\-1&0\end{pmatrix}\begin{pmatrix}0&1\\-1&0\end{pmatrix} = \begin{pmatrix}-1&0\\0& «-1|1»\end{pmatrix}. \]
Let $v = \begin{pmatrix}1\\2\end{pmatrix}$ and $A = \begin{pmatrix}2&0\\1&1\end{pmatrix}$. Then \[ Av = \begin{pmatrix}2\cdot1+0\cdot 2\\1\cdot 1+1\cdot 2\end{pmatrix} = \begin{pmatrix}2\\ «3|2»\end{pmatrix}. \]
\begin{align*} \begin{vmatrix}1&2&1\\0&1&3\\2&0&1\end{vmatrix} &= 1\begin{vmatrix}1&3\\0&1\end{vmatrix} - 2\begin{vmatrix}0&3\\2&1\end{vmatrix} + 1\begin{vmatrix}0&1\\2&0\end{vmatrix} \\ &= 1 + 12 - 2 = «11|15» \end{align*}
\begin{align*} \det(A - \lambda I) &= \begin{vmatrix}4-\lambda&1\\2&3-\lambda\end{vmatrix} \\ &= (4-\lambda)(3-\lambda) - 2 \\ &= \lambda^2 - 7\lambda + «10|14» \end{align*}
\begin{align*} \begin{pmatrix}1&2\\3&4\end{pmatrix}\begin{pmatrix}0&1\\1&0\end{pmatrix} &= \begin{pmatrix}1\cdot0+2\cdot1 & 1\cdot1+2\cdot0\\3\cdot0+4\cdot1&3\cdot1+4\cdot0\end{pmatrix} \\ &= \begin{pmatrix}2&1\\4& «3|7»\end{pmatrix} \end{align*}
\begin{align*} \begin{pmatrix}\cos a&-\sin a\\\sin a&\cos a\end{pmatrix}\begin{pmatrix}\cos b&-\sin b\\\sin b&\cos b\end{pmatrix} &= \begin{pmatrix}\cos(a+b)&-\sin(a+b)\\\sin(a+b)&\cos(a«+|-»b)\end{pmatrix} \end{align*}
\begin{align*} (x-2)\begin{vmatrix}x&1\\3&x-2\end{vmatrix} &= (x-2)(x^2-2x-3) \\ &= (x-2)(x-3)(x«+|-»1) \end{align*}
\begin{align*} \begin{vmatrix}1&a&a^2\\1&b&b^2\\1&c&c^2\end{vmatrix} &= \begin{vmatrix}1&a&a^2\\0&b-a&b^2-a^2\\0&c-a&c^2-a^2\end{vmatrix} \\ &= (b-a)(c-a)(c «-|+» b) \end{align*}
\[ \begin{pmatrix}1&2\\2&4\end{pmatrix}\begin{pmatrix}2\\-1\end{pmatrix} = \begin{pmatrix}2-2\\4-4\end{pmatrix} = «\begin{pmatrix}0\\0\end{pmatrix}|\begin{pmatrix}0\\8\end{pmatrix}» \]
\[ \begin{pmatrix}3&1\\0&3\end{pmatrix} = 3\begin{pmatrix}1&0\\0&1\end{pmatrix} + \begin{pmatrix}0& «1|3»\\0&0\end{pmatrix} \]
\[ \operatorname{rank}\begin{pmatrix}1&2\\2&4\end{pmatrix} = \operatorname{rank}\begin{pmatrix}1&2\\0&0\end{pmatrix} = «1|2» \]
\[ \frac12\begin{pmatrix}2&4\\6&8\end{pmatrix} = \begin{pmatrix}1&2\\3&«4|8»\end{pmatrix} \]
\[ x\begin{pmatrix}1\\2\end{pmatrix} + y\begin{pmatrix}0\\1\end{pmatrix} = \begin{pmatrix}x\\2x+«y|2y»\end{pmatrix} = \begin{pmatrix}1&0\\2&1\end{pmatrix}\begin{pmatrix}x\\y\end{pmatrix} \]
\[ \begin{pmatrix}1&2&3\end{pmatrix}\begin{pmatrix}x\\y\\z\end{pmatrix} = x + 2y + «3|»z \]
\[ \det\begin{pmatrix}2&0\\0&3\end{pmatrix} \cdot \det\begin{pmatrix}1&1\\0&1\end{pmatrix} = 6 \cdot 1 = «6|5» \]
\[ \begin{bmatrix}1&2\\3&5\end{bmatrix}\begin{bmatrix}-5&2\\3&-1\end{bmatrix} = \begin{bmatrix}1&0\\0&1\end{bmatrix} = «\begin{bmatrix}-5&2\\3&-1\end{bmatrix}\begin{bmatrix}1&2\\3&5\end{bmatrix}|\begin{bmatrix}-5&2\\3&1\end{bmatrix}\begin{bmatrix}1&2\\3&5\end{bmatrix}» \]
`;
