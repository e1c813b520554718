/** Kinds of numbers that the compiled kernel tells apart: whole ones of 32 bits, and those of 64 with a fraction. */
declare type i32 = number
declare type f64 = number
