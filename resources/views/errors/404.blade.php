@extends('errors.page', ['heading' => 'There is no such page', 'text' => 'The address may be mistyped, or what it named is gone.'])
