<?php

declare(strict_types=1);

namespace ZigLane\Core;

/**
 * Something worth telling, as data: Wording makes a sentence of it, Files writes and reads it.
 *
 * Every parameter of a finding's constructor is a public property of the same name: a number, a text, a list of either, an enum, or an
 * object built likewise.
 */
interface Finding {}
