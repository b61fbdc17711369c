<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\Units;
use ZigLane\App\View\WorkspaceBuilder;
use ZigLane\Core\Line\AimCard;

/**
 * The aim card of one leg: to be read from a metre away, or printed.
 */
final class CardController extends AbstractController
{
    public function __construct(private readonly RackStore $store, private readonly WorkspaceBuilder $builder) {}

    #[Route('/racks/{id}/card', name: 'aim_card', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
    public function card(Request $request, int $id, #[MapQueryParameter] int $leg = 1): Response
    {
        $open = $this->store->open($id);
        $units = Units::of($request);
        $w = $this->builder->build($open, $leg, $units);
        $of = $w->leg();
        $card = null === $of || null === $of->aim || null === $of->before || null === $of->spec->ball || null === $of->spec->pocket
            ? null
            : AimCard::of($of->aim, $of->before, $of->spec->ball, $of->spec->pocket, $w->rack->simulator()->geometry);

        return $this->render('card.html.twig', [
            'w' => $w,
            'card' => $card,
            'aside' => null === $of?->before ? null : $of->result?->aside($of->before),
            'units' => $units,
        ]);
    }
}
