<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Plan\TooMany;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Reading\FitTable;
use ZigLane\App\View\Units;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Measuring\FitResult;
use ZigLane\Core\Measuring\Parameter;
use ZigLane\Core\Measuring\Sheet;
use ZigLane\Core\Measuring\TestKind;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Wording\ComparisonWording;

/**
 * Ten minutes at a table with a tape and a phone: readings in, a table's and a cue's own numbers out.
 */
#[Route('/measure')]
final class MeasureController extends AbstractController
{
    public function __construct(private readonly ProfileStore $store, private readonly TaskDesk $desk) {}

    #[Route('', name: 'measure', methods: ['GET'])]
    public function sheet(Request $request): Response
    {
        $from = $this->store->find($request->query->getInt('from'));
        try {
            $table = null !== $from && 'table' === $from->kind() ? $this->store->table($from) : new Table();
        } catch (InvalidInput) {
            // A damaged profile: the sheet begins empty.
            [$from, $table] = [null, new Table()];
        }

        return $this->page(Units::of($request), [
            'rows' => null === $from ? [] : $this->store->sheet($from),
            'size' => $table->size->value,
            'corner' => (string) round($table->cornerMouth / 0.0254, 3),
            'side' => (string) round($table->sideMouth / 0.0254, 3),
            'name' => $from?->name() ?? '',
        ]);
    }

    #[Route('', name: 'measure_fit', methods: ['POST'])]
    public function fit(Request $request): Response
    {
        $units = Units::of($request);
        $typed = $request->request->all('m');
        $view = [
            'typed' => $typed,
            'size' => $request->request->getString('size', '9ft'),
            'corner' => $request->request->getString('corner', '4.5'),
            'side' => $request->request->getString('side', '5'),
            'name' => $request->request->getString('name'),
        ];
        try {
            $on = $this->table($view['size'], $view['corner'], $view['side']);
            $sheet = Sheet::read(self::toSi($typed, $units));
            if ($sheet->isEmpty()) {
                throw new InvalidInput('', 'There is no reading yet: fill in at least one row.');
            }
            $sheet->measurements($on->size);
            $save = $request->request->getString('save');
            $answer = $this->desk->ask(FitTable::class, [$sheet, $on]);
            if (null !== $answer->problem) {
                throw new InvalidInput('', $answer->problem);
            }
            $fit = $answer->value;
            if (!$fit instanceof FitResult) {
                return $this->page($units, $view + ['waiting' => true, 'save' => $save], Response::HTTP_ACCEPTED);
            }
            $view += [
                'fit' => $fit,
                'saysTable' => ComparisonWording::ofTable($fit->table()),
                'saysCue' => ComparisonWording::ofCue($fit->cue()),
            ];
            if ('' !== $save && $fit->sound()) {
                $this->save(ProfileKind::from($save), $view['name'], $fit, $sheet);

                return $request->headers->has('HX-Request')
                    ? new Response(headers: ['HX-Redirect' => $this->generateUrl('profiles')])
                    : $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
            }
        } catch (TooMany $e) {
            return $this->page($units, $view + ['problem' => $e->getMessage()], Response::HTTP_TOO_MANY_REQUESTS);
        } catch (InvalidInput|\ValueError $e) {
            return $this->page(
                $units,
                $view + ['problem' => ucfirst(rtrim($e->getMessage(), '.')) . '.'],
                Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        }

        return $this->page($units, $view);
    }

    /** @throws InvalidInput */
    private function table(string $size, string $corner, string $side): Table
    {
        if (!is_numeric($corner) || !is_numeric($side) || $corner < 3.75 || $corner > 5.5 || $side < 3.75 || $side > 5.9) {
            throw new InvalidInput('', 'The pockets’ mouths must be given in inches, between 3.75 and 5.5 (sides 5.9).');
        }

        return new Table(
            TableSize::tryFrom($size) ?? throw new InvalidInput('size', 'is not 7ft, 8ft or 9ft'),
            $corner * 0.0254,
            $side * 0.0254,
        );
    }

    private function save(ProfileKind $kind, string $name, FitResult $fit, Sheet $sheet): void
    {
        $estimates = [];
        foreach ($fit->estimates as $key => $estimate) {
            if ($estimate->measured) {
                $estimates[$key] = ['value' => $estimate->value, 'sigma' => $estimate->sigma];
            }
        }
        $document = ProfileKind::Cue === $kind
            ? ['cue' => EquipmentFields::writeCue($fit->cue())]
            : ['table' => EquipmentFields::writeTable($fit->table()->named(null), static fn(string $path): array => [])];
        $same = array_values(array_filter($this->store->all($kind), static fn($p): bool => 0 === strcasecmp($p->name(), trim($name))));
        $this->store->save($same[0] ?? null, $kind, $name, $document + ['sheet' => $sheet->rows, 'estimates' => $estimates]);
    }

    /**
     * @param array<string, mixed> $view
     */
    private function page(Units $units, array $view, int $status = Response::HTTP_OK): Response
    {
        return $this->render('measure.html.twig', $view + [
            'kinds' => TestKind::cases(),
            'tries' => TestKind::TRIES,
            'units' => $units,
            'unitNames' => self::unitNames($units),
            'values' => $view['typed'] ?? self::shown((array) ($view['rows'] ?? []), $units),
            'parameters' => Parameter::cases(),
            'error' => Defaults::READING_ERROR,
            'problem' => null,
            'fit' => null,
            'waiting' => false,
            'save' => '',
        ], new Response(status: $status));
    }

    /**
     * @return array<string, string> by a field's unit
     */
    private static function unitNames(Units $units): array
    {
        $metric = Units::Metric === $units;

        return ['length' => $metric ? 'cm' : 'in', 'short' => $metric ? 'mm' : 'in', 'tip' => 'mm', 'time' => 's', 'count' => 'lengths'];
    }

    private static function scale(string $unit, Units $units): float
    {
        $metric = Units::Metric === $units;

        return match ($unit) {
            'length' => $metric ? 0.01 : 0.0254,
            'short' => $metric ? 0.001 : 0.0254,
            'tip' => 0.001,
            default => 1.0,
        };
    }

    /**
     * @param array<array-key, mixed> $typed
     *
     * @return array<string, array<int, array<string, string|float>>>
     */
    private static function toSi(array $typed, Units $units): array
    {
        return self::map($typed, static function (string $text, string $unit) use ($units): string|float {
            $plain = trim(str_replace(',', '.', $text));

            return is_numeric($plain) ? (float) $plain * self::scale($unit, $units) : $text;
        });
    }

    /**
     * @param array<array-key, mixed> $rows SI
     *
     * @return array<string, array<int, array<string, string|float>>>
     */
    private static function shown(array $rows, Units $units): array
    {
        return self::map(
            $rows,
            static fn(string $text, string $unit): string => (string) round((float) $text / self::scale($unit, $units), 3),
        );
    }

    /**
     * @param array<array-key, mixed>                  $rows
     * @param callable(string, string): (string|float) $as from the text and its unit
     *
     * @return array<string, array<int, array<string, string|float>>>
     */
    private static function map(array $rows, callable $as): array
    {
        $out = [];
        foreach (TestKind::cases() as $kind) {
            for ($try = 0; $try < TestKind::TRIES; ++$try) {
                foreach ($kind->fields() as $key => $field) {
                    $row = \is_array($rows[$kind->value] ?? null) ? ($rows[$kind->value][$try] ?? null) : null;
                    $value = \is_array($row) ? ($row[$key] ?? '') : '';
                    if (\is_scalar($value) && '' !== trim((string) $value)) {
                        $out[$kind->value][$try][$key] = $as((string) $value, $field['unit']);
                    }
                }
            }
        }

        return $out;
    }
}
