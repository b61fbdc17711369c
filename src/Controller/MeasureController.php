<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Form\Complaints;
use ZigLane\App\Form\MeasureAnswers;
use ZigLane\App\Form\MeasureType;
use ZigLane\App\Form\Readings;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Paces;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Reading\FitTable;
use ZigLane\App\View\PaceRow;
use ZigLane\App\View\Units;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Measuring\FitResult;
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
    public function __construct(
        private readonly ProfileStore $store,
        private readonly TaskDesk $desk,
        private readonly FormFactoryInterface $forms,
        private readonly Paces $paces,
    ) {}

    #[Route('', name: 'measure', methods: ['GET'])]
    public function sheet(Request $request, #[MapQueryParameter] int $from = 0): Response
    {
        $from = $this->store->find($from);
        try {
            $table = null !== $from && 'table' === $from->kind() ? $this->store->table($from) : new Table();
        } catch (InvalidInput) {
            // A damaged profile: the sheet begins empty.
            [$from, $table] = [null, new Table()];
        }

        $units = Units::of($request);
        $answers = MeasureAnswers::on($table, $from?->name() ?? '');
        $answers->m = Readings::shown(null === $from ? [] : $this->store->sheet($from), $units);

        return $this->page($units, $this->forms->createNamed('', MeasureType::class, $answers));
    }

    #[Route('', name: 'measure_fit', methods: ['POST'])]
    public function fit(Request $request): Response
    {
        $units = Units::of($request);
        $answers = new MeasureAnswers();
        $form = $this->forms->createNamed('', MeasureType::class, $answers);
        $form->submit($request->request->all());
        if (!$form->isValid()) {
            return $this->page($units, $form);
        }
        try {
            $sheet = Sheet::read(Readings::toSi($answers->m, $units));
            if ($sheet->isEmpty()) {
                throw new InvalidInput('', 'There is no reading yet: fill in at least one row');
            }
            $on = $answers->table();
            $sheet->measurements($on->size);
            $answer = $this->desk->ask(FitTable::class, [$sheet, $on]);
            if (null !== $answer->problem) {
                throw new InvalidInput('', $answer->problem);
            }
            $fit = $answer->value;
            if (!$fit instanceof FitResult) {
                return $this->page($units, $form, ['waiting' => true, 'save' => $answers->save ?? ''], Response::HTTP_ACCEPTED);
            }
            if (null !== $answers->save && $fit->sound()) {
                $this->save(ProfileKind::from($answers->save), $answers->name, $fit, $sheet);

                return $request->headers->has('HX-Request')
                    ? new Response(headers: ['HX-Redirect' => $this->generateUrl('profiles')])
                    : $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
            }
        } catch (TooMany $e) {
            return $this->page($units, $form, ['problem' => $e->getMessage()], Response::HTTP_TOO_MANY_REQUESTS);
        } catch (InvalidInput $e) {
            Complaints::add($form, $e);

            return $this->page($units, $form);
        }

        return $this->page($units, $form, [
            'fit' => $fit,
            'saysTable' => ComparisonWording::ofTable($fit->table()),
            'saysCue' => ComparisonWording::ofCue($fit->cue()),
            'paces' => PaceRow::all($this->paces->scale(), $fit->table()),
        ]);
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
     * @param FormInterface<MeasureAnswers> $form
     * @param array<string, mixed> $view
     */
    private function page(Units $units, FormInterface $form, array $view = [], int $status = Response::HTTP_OK): Response
    {
        return $this->render('measure.html.twig', $view + [
            'form' => $form,
            'kinds' => TestKind::cases(),
            'units' => $units,
            'unitNames' => Readings::unitNames($units),
            'error' => Defaults::READING_ERROR,
            'problem' => Complaints::sentence($form),
            'fit' => null,
            'waiting' => false,
            'save' => '',
        ], Response::HTTP_OK === $status ? null : new Response(status: $status));
    }
}
